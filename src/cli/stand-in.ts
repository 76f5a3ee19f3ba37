import { createServer } from "node:net";
import { parseArgs } from "node:util";
import { drawsFor } from "@/core";

/** An instrument that ships as a stand-in: the lines it sends, and some that it never should. */
interface StandIn {
  /** Its nth line, from numbers between 0 and 1 that are drawn. */
  readonly line: (number: number, draw: () => number) => string;
  /** Lines that what reads them must refuse, each with its reason. */
  readonly bad: readonly string[];
  /** Said where its arguments cannot be read. */
  readonly usage: string;
}

/** Its lines: the same ones for the same seed. */
function* linesOf({ line, bad }: StandIn, count: number, seed: string, withBad: boolean): Generator<string> {
  const draw = drawsFor(seed);
  for (let number = 1; number <= count; number++) {
    yield line(number, draw);
    if (withBad) yield bad[(number - 1) % bad.length] ?? "";
  }
}

/**
 * Runs a stand-in by its arguments `[--count N] [--seed TEXT] [--bad] [--port P]`: lines on standard output, or to each client
 * of a port of this machine.
 * @returns the exit code: 2 where the arguments cannot be read.
 */
function run(standIn: StandIn, args: readonly string[]): number {
  const { values } = parseArgs({
    args: [...args],
    options: {
      count: { type: "string", default: "1" },
      seed: { type: "string", default: "bench" },
      bad: { type: "boolean", default: false },
      port: { type: "string" },
    },
  });
  const count = Number(values.count);
  const port = values.port === undefined ? null : Number(values.port);
  const isWrong = !Number.isInteger(count) || count < 1 || count > 10_000;
  if (isWrong || (port !== null && !(Number.isInteger(port) && port >= 0 && port < 65_536))) {
    process.stderr.write(`${standIn.usage}\n`);
    return 2;
  }
  const text = [...linesOf(standIn, count, values.seed, values.bad)].map((line) => `${line}\r\n`).join("");
  if (port === null) {
    process.stdout.write(text);
    return 0;
  }
  const server = createServer((client) => {
    client.on("error", () => undefined);
    client.end(text);
  });
  server.listen(port, "127.0.0.1", () => {
    const address = server.address();
    process.stdout.write(`${typeof address === "object" && address ? address.port : port}\n`);
  });
  return 0;
}

/** Runs a stand-in as a program: its exit code is the process's. */
export function runStandIn(standIn: StandIn): void {
  try {
    process.exitCode = run(standIn, process.argv.slice(2));
  } catch (error) {
    process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
    process.exitCode = 2;
  }
}
