import { spawnSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";

const compute = (args: readonly string[], input: string) => {
  const { status, stdout } = spawnSync(process.execPath, [".arlent/run/compute.mjs", ...args], {
    input,
    encoding: "utf8",
  });
  return {
    status,
    lines: stdout
      .trim()
      .split("\n")
      .map((line) => JSON.parse(line)),
  };
};
const cases: { input: unknown; expected: Record<string, unknown> }[] = JSON.parse(
  readFileSync("src/core/operations/vectors/stack.json", "utf8"),
);

describe("the command line", () => {
  it("answers one input and exits 0", () => {
    const { status, lines } = compute(["stack"], JSON.stringify(cases[0]?.input));
    expect(status).toBe(0);
    expect(lines[0].positions).toEqual(cases[0]?.expected.positions);
  });
  it.each([
    [["stack"], "{oops", "not-json"],
    [["stack"], "{}", "bad-input"],
    [["levitate"], "{}", "unknown-operation"],
    [[], "{}", "unknown-operation"],
    [["stack", "--fast"], "{}", "unknown-flag"],
  ])("%j with %s exits 2 and says %s", (args, input, code) => {
    const { status, lines } = compute(args, input);
    expect(status).toBe(2);
    expect(lines[0].error).toMatchObject({
      code,
      message: expect.stringMatching(/\S/),
      path: expect.any(Array),
    });
  });
  it("with --lines answers every line in one process, bad ones too", () => {
    const input = [
      ...cases.map((item) => JSON.stringify(item.input)),
      "{oops",
      "",
      JSON.stringify(cases[0]?.input),
    ].join("\n");
    const { status, lines } = compute(["stack", "--lines"], input);
    expect(status).toBe(0);
    expect(lines).toHaveLength(cases.length + 2);
    expect(lines.at(-2).error.code).toBe("not-json");
    expect(lines.at(-1)).toEqual(lines[0]);
  });
});
