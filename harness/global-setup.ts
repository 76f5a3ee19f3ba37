import { mkdtempSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { killed } from "./next-server";

/** Where what the workers of a run have in common lies: which server serves a lane, what has been looked at already. */
export function shared(): string {
  const { ARLENT_SHARED: folder } = process.env;
  if (!folder) throw new Error("the run has begun nothing that is shared");
  return folder;
}

/** Before a run. @returns what is done after it: every server that was started for a lane is ended. */
export default function begin(): () => Promise<void> {
  process.env.ARLENT_SHARED = mkdtempSync(join(tmpdir(), "arlent-run-"));
  return async () => {
    for (const name of readdirSync(shared()))
      if (name.startsWith("server-"))
        await killed(JSON.parse(readFileSync(join(shared(), name), "utf8")).pid);
    rmSync(shared(), { recursive: true, force: true });
  };
}
