import { spawn, spawnSync } from "node:child_process";
import { once } from "node:events";
import { connect } from "node:net";
import { text } from "node:stream/consumers";
import { describe, expect, it } from "vitest";
import { parseGlowLine, parseMeterLine, parseSplicerLine } from "@/core";

describe.each([
  ["splicer", parseSplicerLine],
  ["meter", parseMeterLine],
  ["fault-light", parseGlowLine],
] as const)("the simulated %s", (name, parse) => {
  const PROGRAM = `.arlent/run/${name}.mjs`;
  const sent = (...args: string[]) => {
    const { status, stdout, stderr } = spawnSync(process.execPath, [PROGRAM, ...args], { encoding: "utf8" });
    return { status, lines: stdout.split("\r\n").slice(0, -1), stderr };
  };
  it("sends a line each, the same for the same seed, each of which reads", () => {
    const { status, lines } = sent("--count", "12", "--seed", "hut");
    expect(status).toBe(0);
    expect(lines).toHaveLength(12);
    expect(lines.every((line) => parse(line).ok)).toBe(true);
    expect(sent("--count", "12", "--seed", "hut").lines).toEqual(lines);
    expect(sent("--count", "12", "--seed", "pad").lines).not.toEqual(lines);
  });
  it("sends lines that must be refused where that is asked for", () => {
    const { lines } = sent("--count", "4", "--bad");
    expect(lines.map((line) => parse(line).ok)).toEqual([true, false, true, false, true, false, true, false]);
  });
  it("sends the lines to whoever connects to its port", async () => {
    const running = spawn(process.execPath, [PROGRAM, "--count", "3", "--port", "0"]);
    const [port] = await once(running.stdout, "data");
    const received = await text(connect(Number(String(port)), "127.0.0.1"));
    running.kill();
    expect(received.trim().split("\r\n")).toHaveLength(3);
  });
  it.each([[["--count", "0"]], [["--port", "99999"]], [["--loud"]]])(
    "%j is refused in a line, and nothing is sent",
    (args) => {
      const { status, lines, stderr } = sent(...args);
      expect([status, lines]).toEqual([2, []]);
      expect(stderr).toMatch(/\S/);
    },
  );
});
