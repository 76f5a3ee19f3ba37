import { describe, expect, it } from "vitest";
import { type EndAdvice, type Move, mm, type Seat, type SeenFault } from "@/core";
import { adviceFor, endAt } from "@/core/advice/fixtures/ends";
import { stub } from "@/core/advice/fixtures/stub";
import {
  cableLostWords,
  careWords,
  causeWords,
  costWords,
  minutesWords,
  moveWords,
  stoppedWords,
} from "./advice-words";
import { seatWords } from "./seat-words";

const short = adviceFor(stub, endAt(stub, "measure", { glass: 1300 }))[0] as Extract<
  EndAdvice,
  { kind: "rework" }
>;
const move = (change: Partial<Move>): Move => ({
  feature: "buffer",
  how: "cut",
  was: mm(36),
  now: mm(37.8),
  further: mm(1.8),
  from: null,
  ...change,
});

describe("what to rework, in words", () => {
  it("a cleave 1.3 short: strip, draw, cleave, each with its figure", () => {
    expect(short.recommended.moves.map((move) => moveWords(stub, move, "mm"))).toEqual([
      "Draw the second mark again, 12.0 behind the buffer edge",
      "Strip the buffer 2.3 further back",
      "Cleave again at 9.0 from the buffer edge",
    ]);
  });
  it.each<[Partial<Move>, string]>([
    [{}, "Strip the buffer 1.8 further back"],
    [{ feature: "end", further: mm(1) }, "Trim 1.0 off the cable end"],
    [{ feature: "mark", how: "draw" }, "Draw the second mark again, 1.8 further back"],
    [
      { feature: "mark", how: "draw", further: mm(-1.8) },
      "Draw the second mark again, 1.8 nearer the fibre end",
    ],
    [
      { feature: "mark", how: "set", from: { datum: "buffer", distance: mm(-2) } },
      "Set the second mark again, 2.0 in front of the buffer edge",
    ],
  ])("%j", (change, words) => {
    expect(moveWords(stub, move(change), "mm")).toBe(words);
  });
  it("costs in cable, parts and half minutes", () => {
    expect(cableLostWords(mm(0), "mm")).toBe("no cable lost");
    expect(costWords({ cable: mm(41), parts: ["new connector"], seconds: 145 }, "mm")).toBe(
      "41.0 mm of cable · new connector · about 2½ min",
    );
    expect([10, 30, 60, 100].map(minutesWords)).toEqual(["½ min", "½ min", "1 min", "1½ min"]);
  });
  it("why: what is out, and what was seen", () => {
    const nick: SeenFault = { leg: "", feature: "glass", what: "nick", at: null };
    expect(causeWords(stub, { checks: ["cleave"], faults: [nick] })).toBe("Cleave out; the glass is nicked");
  });
  it("glass cut off comes with its caution", () => {
    expect(careWords(stub, short, short.least).join(" ")).toContain("Eye protection");
  });
  it("an end that cannot be saved says what holds it, or which try is used up", () => {
    const base = { ...short, kind: "start-over", stoppedBy: null, rule: stub.retries[0] } as never;
    expect(stoppedWords(stub, base)).toBe("Strip again: 2 of 2 used.");
    expect(
      stoppedWords(stub, { ...(base as object), stoppedBy: { feature: "buffer", line: 3 } } as never),
    ).toBe("The buffer edge would have to move, but “Clean” has fixed it for good.");
    expect(
      stoppedWords(stub, { ...(base as object), stoppedBy: { feature: "buffer", line: null } } as never),
    ).toContain("cannot be put back");
  });
});

describe("how the fibre sits, in words", () => {
  const seat = (change: Partial<Seat>): Seat => ({
    leg: "",
    check: "stand-off",
    gap: { by: 1240, u: 150 },
    cleave: { by: -700, u: 25 },
    mark: { by: 900, u: 30 },
    finding: "short",
    ...change,
  });
  it.each<[Seat["finding"], RegExp]>([
    ["short", /Short of the stop by 1\.24 mm \(± 0\.3\)/],
    ["cleaved-short", /cleaved short by 0\.7 mm \(± 0\.05\)/],
    ["mark-off", /0\.9 mm \(± 0\.06\) too far back/],
    ["cannot-be", /which is not possible/],
    ["unsure", /do not show why/],
    ["seated", /^Seated/],
  ])("%s is told with how much and how sure", (finding, message) => {
    expect(seatWords(seat({ finding }), "mm").text).toMatch(message);
  });
});
