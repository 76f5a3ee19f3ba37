import "@/messages/speak";

import { spawn } from "node:child_process";
import { mkdtempSync, readFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { sealsFile } from "@/service/keeping/kept-seals";
import { checkWholeRecord } from "@/service/keeping/record-check";
import { openStore } from "@/service/the-store";
import { findEvent } from "@/store/record/events";

/**
 * `npm run fuzz -- kills [KILLS]`: a writer that stores, seals and rebuilds is killed as a power cut would, again and again;
 * whatever it had said was stored must be there, and the record whole. Ends 1 where something was lost or found altered.
 */
const [kills = 2_000] = process.argv.slice(2).map(Number);
/** Each record is killed on so many times, then another is begun: a long one takes long to rebuild. */
const ON_ONE = 40;
/** The longest a writer is left to work, milliseconds. */
const LONGEST_MS = 160;

/** Lets a writer work for so long, then kills it. @returns the lines it had said by then. */
const killedAfter = (database: string, ms: number): Promise<string[]> =>
  new Promise((done) => {
    const child = spawn(process.execPath, [".arlent/run/killed-writer.mjs", database], {
      stdio: ["ignore", "pipe", "inherit"],
    });
    let said = "";
    child.stdout.setEncoding("utf8").on("data", (text: string) => {
      const wasReady = said.includes("ready");
      said += text;
      if (!wasReady && said.includes("ready")) setTimeout(() => child.kill("SIGKILL"), ms);
    });
    // A line cut short was not said.
    child.once("close", () => done(said.split("\n").slice(0, -1)));
  });

let [acknowledged, lost, altered] = [0, 0, 0];
for (let kill = 0; kill < kills; ) {
  const database = join(mkdtempSync(join(tmpdir(), "arlent-kills-")), "a.db");
  const lines: string[] = [];
  for (let i = 0; i < ON_ONE && kill < kills; i++, kill++)
    lines.push(...(await killedAfter(database, Math.random() * LONGEST_MS)));
  const store = openStore(database);
  const seals = readFileSync(sealsFile(database), { encoding: "utf8", flag: "a+" });
  for (const line of lines) {
    const [kind, ...rest] = line.split(" ");
    const is =
      kind === "event" ? findEvent(store, rest.join(" ")) : kind !== "seal" || seals.includes(rest.join(" "));
    if (kind === "event" || kind === "seal") acknowledged += 1;
    if (!is) lost += 1;
  }
  const findings = [...checkWholeRecord(store)].flatMap((stretch) =>
    stretch.findings.filter(({ note }) => !note),
  );
  altered += findings.length;
  for (const finding of findings.slice(0, 3)) console.log(`${finding.name}: ${finding.what}`);
  store.$client.close();
  console.log(`${kill} kills, ${acknowledged} acknowledged, ${lost} lost, ${altered} found altered`);
}
process.exitCode = lost + altered > 0 ? 1 : 0;
