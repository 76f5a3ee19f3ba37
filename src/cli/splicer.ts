import "@/messages/speak";

import { createServer } from "node:net";
import { parseArgs } from "node:util";
import { drawsFor, simulatedSplice, splicerLine } from "@/core";
import { t } from "@/messages/service";

/** Lines that a splicer never should send: what reads them must refuse each with its reason. */
const BAD = [
  "splice 7 left 0.4",
  "splice x left 0.4 right 0.9 estimate 0.03",
  "hello",
  "splice 9 left 0.4 right 0.9 estimate -1",
];

/** The lines of a simulated splicer: the same ones for the same seed. */
function* linesOf(count: number, seed: string, bad: boolean): Generator<string> {
  const draw = drawsFor(seed);
  for (let number = 1; number <= count; number++) {
    yield splicerLine(simulatedSplice(number, [draw(), draw(), draw()]));
    if (bad) yield BAD[(number - 1) % BAD.length] ?? "";
  }
}

/** `splicer [--count N] [--seed TEXT] [--bad] [--port P]`: lines on standard output, or to each client of a port of this machine. */
function main(args: readonly string[]): number {
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
    process.stderr.write(`${t("splicer-takes-count-and-port")}\n`);
    return 2;
  }
  const text = [...linesOf(count, values.seed, values.bad)].map((line) => `${line}\r\n`).join("");
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

try {
  process.exitCode = main(process.argv.slice(2));
} catch (error) {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 2;
}
