import { type ChildProcess, spawn } from "node:child_process";
import { freePort } from "./next-server";

export interface Commanded {
  readonly url: string;
  /** Stops it as Ctrl+C does. */
  readonly stop: () => Promise<void>;
}

/** Runs one of the commands that serve, as a person would, until it has printed its address. */
export async function served(
  script: "start" | "demo",
  database: string,
  flags: readonly string[] = [],
  env: Readonly<Record<string, string>> = {},
): Promise<Commanded> {
  const child: ChildProcess = spawn(process.execPath, [`scripts/${script}.mjs`, ...flags], {
    stdio: ["ignore", "pipe", "pipe"],
    env: { ...process.env, ARLENT_DB: database, PORT: String(await freePort()), ...env },
  });
  const gone = new Promise<void>((done) => child.once("exit", () => done()));
  let said = "";
  child.stderr?.on("data", (text) => {
    said += String(text);
  });
  const url = await new Promise<string>((answer, failed) => {
    child.stdout?.on("data", (text) => {
      const address = /http:\/\/[^/\s]+\//.exec(String(text))?.[0];
      if (address) answer(address);
    });
    child.once("close", () => failed(new Error(said)));
  });
  return {
    url,
    stop: () => {
      child.kill("SIGTERM");
      return gone;
    },
  };
}
