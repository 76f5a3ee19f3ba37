import { type ChildProcess, spawn } from "node:child_process";
import { createServer } from "node:net";

/** A port of this machine that nothing listens on. */
export const freePort = () =>
  new Promise<number>((answer) => {
    const probe = createServer().listen(0, "127.0.0.1", () => {
      const address = probe.address();
      probe.close(() => answer(typeof address === "object" && address ? address.port : 0));
    });
  });

export interface RunningServer {
  readonly url: string;
  readonly pid: number;
  /** From the start of the process to the first answer. */
  readonly coldMs: number;
  /** Kills the process as a power cut would, and waits until it is gone. */
  readonly kill: () => Promise<void>;
}

/** As `npm run demo` starts it: a connection left idle is not closed under whoever uses it next. */
const KEEP_ALIVE = ["--keepAliveTimeout", "75000"];

/** What is answered without a page being loaded. */
export const NO_PAGE = "/api/v1/timers";

/** Kills a server as a power cut would, whoever started it, and waits until it is gone. */
export async function killed(pid: number): Promise<void> {
  // None was started; to a system, 0 is everybody.
  if (pid <= 0) return;
  try {
    process.kill(pid, "SIGKILL");
    for (;;) {
      process.kill(pid, 0);
      await new Promise((later) => setTimeout(later, 5));
    }
  } catch {
    // It is gone.
  }
}

/** Starts the built server on a database and a port, and waits until it answers what is `first` asked of it. */
export async function startServer(
  database: string,
  port: number,
  first = "/",
  settings: Readonly<Record<string, string>> = {},
): Promise<RunningServer> {
  const url = `http://127.0.0.1:${port}`;
  const start = performance.now();
  const child: ChildProcess = spawn(
    process.execPath,
    [
      "--import",
      "./scripts/before-serving.mjs",
      "node_modules/next/dist/bin/next",
      "start",
      "-H",
      "127.0.0.1",
      "-p",
      String(port),
      ...KEEP_ALIVE,
    ],
    {
      stdio: ["ignore", "ignore", "inherit"],
      env: {
        ...process.env,
        ARLENT_DB: database,
        NODE_ENV: "production",
        NEXT_TELEMETRY_DISABLED: "1",
        ...settings,
      },
    },
  );
  while (
    !(await fetch(url + first).then(
      ({ ok }) => ok,
      () => false,
    ))
  ) {
    if (child.exitCode !== null || performance.now() - start > 120_000)
      throw new Error("the server did not start");
    await new Promise((later) => setTimeout(later, 20));
  }
  const pid = child.pid ?? 0;
  return { url, pid, coldMs: performance.now() - start, kill: () => killed(pid) };
}
