import "@/messages/speak";

import { createInterface } from "node:readline";
import { text } from "node:stream/consumers";
import { compute, InputError, problemOf } from "@/core";
import { say, t } from "@/messages/service";

/** Answers one JSON text. Bad input becomes an error object. */
async function answer(
  operation: string,
  json: string,
): Promise<{ readonly ok: boolean; readonly body: unknown }> {
  try {
    return { ok: true, body: await compute(operation, parse(json)) };
  } catch (error) {
    const problem = problemOf(error);
    if (!problem) throw error;
    return { ok: false, body: { error: problem } };
  }
}

function parse(json: string): unknown {
  try {
    return JSON.parse(json);
  } catch (cause) {
    throw new InputError("not-json", say("the-input-is-not-json"), [], { cause });
  }
}

const print = (body: unknown) => process.stdout.write(`${JSON.stringify(body)}\n`);

async function main(argv: readonly string[]): Promise<number> {
  const [operation = ""] = argv.filter((arg) => !arg.startsWith("--"));
  const strange = argv.find((arg) => arg.startsWith("--") && arg !== "--lines");
  if (strange) {
    print({
      error: { code: "unknown-flag", message: t("the-only-flag-is-lines-not", { strange }), path: [] },
    });
    return 2;
  }
  if (!argv.includes("--lines")) {
    const { ok, body } = await answer(operation, await text(process.stdin));
    print(body);
    return ok ? 0 : 2;
  }
  for await (const line of createInterface({ input: process.stdin, crlfDelay: Number.POSITIVE_INFINITY })) {
    if (line.trim() !== "") print((await answer(operation, line)).body);
  }
  return 0;
}

process.exitCode = await main(process.argv.slice(2));
