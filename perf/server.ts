import { type ChildProcess, spawn } from "node:child_process";
import { createServer } from "node:net";

const freePort = () =>
  new Promise<number>((answer) => {
    const probe = createServer().listen(0, "127.0.0.1", () => {
      const address = probe.address();
      probe.close(() => answer(typeof address === "object" && address ? address.port : 0));
    });
  });

/** Starts the built server on a database. @returns its address, how long the first page took, and how to stop it. */
export async function startServer(
  database: string,
): Promise<{ url: string; coldMs: number; stop: () => void }> {
  const port = await freePort();
  const url = `http://127.0.0.1:${port}`;
  const start = performance.now();
  const child: ChildProcess = spawn(
    process.execPath,
    ["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", String(port)],
    {
      stdio: "ignore",
      env: { ...process.env, ARLENT_DB: database, NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1" },
    },
  );
  while (
    !(await fetch(url).then(
      ({ ok }) => ok,
      () => false,
    ))
  )
    await new Promise((later) => setTimeout(later, 20));
  return { url, coldMs: performance.now() - start, stop: () => child.kill("SIGKILL") };
}
