import { describe, expect, it } from "vitest";
import { type FarEnd, type FarSide, um } from "@/core";
import { farText, mismatches } from "./far-words";
import { slackWords } from "./slack-words";

const slack = (allowed: number | null, before = 0) => ({
  allowed: allowed === null ? null : um(allowed),
  before: um(before),
  perAttempt: um(40_000),
});
const end = (changed: Partial<FarEnd> = {}): FarEnd => ({
  side: "B",
  text: "side B, fibre 7",
  standing: "planned",
  style: "Stub, cam and crimp",
  as: ["LC"],
  end: null,
  signedBy: null,
  signedAt: null,
  across: [],
  ...changed,
});
const far = (...ends: FarEnd[]): FarSide => ({ place: "", fibres: ends.length, count: ends.length, ends });

describe("the slack behind an end", () => {
  it.each([
    [slack(null), 0, "slack not said", false],
    [slack(100_000), 0, "100 mm slack: 2 more tries", false],
    [slack(100_000, 20_000), 0, "80 mm slack: 2 more tries", false],
    [slack(100_000), 40_000, "60 mm slack: the last try", true],
    [slack(100_000, 40_000), 40_000, "20 mm slack: no further try", true],
    [slack(30_000), 50_000, "0 mm slack: no further try", true],
  ] as const)("%o, with %i lost here: %s", (reported, lost, text, loud) => {
    expect(slackWords(reported, { lost: um(lost), spare: null })).toEqual({ text, loud });
  });
  it("is what somebody said at the bench, before what was planned", () => {
    expect(slackWords(slack(400_000), { lost: um(0), spare: um(40_000) }).text).toBe(
      "40 mm slack: the last try",
    );
  });
});

describe("the other end", () => {
  it("is told as planned, made or at the bench, by whom, or how many of many are made", () => {
    expect(farText(far())).toBe("nothing is planned at the other end");
    expect(farText(far(end()))).toBe("at side B, fibre 7: Stub, cam and crimp · LC, not begun");
    expect(farText(far(end({ standing: "in", signedBy: "Wyn" })))).toMatch(/LC, in, by Wyn$/);
    expect(farText(far(end({ standing: "in" }), end(), end({ standing: "bench" })))).toBe(
      "at side B: 3 ends, 1 made",
    );
  });
  it("says once what does not go together, and which way it must be", () => {
    const polish = { name: "End face", asks: "same", here: "UPC", far: "APC", fits: false } as const;
    const run = { name: "End of the run", asks: "other", here: "end A", far: "end A", fits: false } as const;
    const ends = [
      end({ across: [polish] }),
      end({ across: [polish, run] }),
      end({ across: [{ ...run, fits: true }] }),
    ];
    expect(mismatches(far(...ends))).toEqual([
      "End face: here UPC, planned there APC. Both must be the same.",
      "End of the run: here end A, planned there end A. One must be the other.",
    ]);
  });
});
