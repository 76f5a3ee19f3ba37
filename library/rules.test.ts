import { describe, expect, it } from "vitest";
import {
  checksOf,
  compileRunSheet,
  depthOver,
  endState,
  firstCut,
  judgementOf,
  type Line,
  misfits,
  placementOf,
  type RunSheet,
  retriesOffered,
  strainsOf,
  toolingAdvice,
  variantsOf,
} from "@/core";
import { resolved } from "@/core/runsheet/resolved";
import { shippedLibrary } from "@/store/shelf/shipped";

/**
 * What holds for every procedure, on every cable it goes on and with every option (common practice, no source, but
 * where one is named).
 */
const { procedures, cables, tools } = shippedLibrary();
const laidOut = procedures.flatMap((procedure) =>
  cables.flatMap((cable) =>
    cable.cores
      .filter((core) => misfits(procedure, cable, core).length === 0)
      .flatMap((core) =>
        [...variantsOf(procedure, cable, core)].map((picked) => {
          const placement = placementOf(resolved(procedure, cable, picked), tools);
          if (!placement) throw new Error(`${procedure.id} cannot be laid out on ${cable.id}`);
          return {
            name: `${procedure.id} on ${cable.id}, ${Object.values(picked.choices).join()}`,
            procedure,
            cable,
            placement,
            sheet: compileRunSheet({ procedure, cable, tools, ...picked }),
          };
        }),
      ),
  ),
);

/** Which sheets, and which of their lines, break a rule. */
const breaking = (rule: (sheet: RunSheet, family: string) => readonly string[]): string[] => [
  ...new Set(
    laidOut.flatMap(({ sheet, procedure }) =>
      rule(sheet, procedure.family).map((subject) => `${procedure.id}: ${subject}`),
    ),
  ),
];
const is =
  (...kinds: Line["step"]["kind"][]) =>
  ({ step }: Line) =>
    kinds.includes(step.kind);
const lineOf = (sheet: RunSheet, id: string) => sheet.lines.findIndex(({ step }) => step.id === id);
const asking = (sheet: RunSheet, judgement: string) =>
  sheet.lines.findIndex(({ step }) => judgementOf(step)?.id === judgement);
const lacking = (sheet: RunSheet, caution: string, acts: (line: Line) => boolean) =>
  sheet.lines
    .filter((line) => acts(line) && !line.step.cautions.includes(caution))
    .map(({ step }) => `${step.id} without ${caution}`);

describe("tools", () => {
  it("cut what goes and spare what stays: no hole under it or over what comes off, no depth over its wall, glass to hold for every first cleave, nothing read only before it moves", () => {
    for (const { name, placement } of laidOut)
      expect([name, toolingAdvice(placement, tools)]).toEqual([name, []]);
  });
  it("score to about three quarters of the wall, ripcords spared", () => {
    let scored = 0;
    for (const { sheet, cable, name } of laidOut)
      for (const { step, bares } of sheet.lines) {
        const [layer] = bares;
        if (step.setting?.kind !== "depth" || !layer) continue;
        const wall = depthOver(cable, layer.layer) as number;
        expect([name, step.id, step.setting.depth / wall > 0.65, step.setting.depth / wall < 0.85]).toEqual([
          name,
          step.id,
          true,
          true,
        ]);
        scored += 1;
      }
    expect(scored).toBeGreaterThan(100);
  });
  it("have a depth wherever a ring cutter works: on every jacket it is used on", () => {
    expect(
      breaking((sheet) =>
        sheet.lines
          .filter(
            ({ step }) => "tool" in step && step.tool === "ring-cutter" && step.setting?.kind !== "depth",
          )
          .map(({ step }) => `${step.id} on ${sheet.cable.id}`),
      ),
    ).toEqual([]);
  });
  it("of cleavers hold 8 to 10 mm of glass beyond the blade, and nothing less is ever taken off", () => {
    const cleavers = tools.filter(({ scrap }) => scrap !== undefined);
    expect(cleavers.length).toBeGreaterThan(1);
    for (const { scrap } of cleavers) {
      expect(scrap).toBeGreaterThanOrEqual(8_000);
      expect(scrap).toBeLessThanOrEqual(10_000);
    }
    for (const { sheet } of laidOut)
      for (const { kind, id, bite } of sheet.features)
        if (kind === "end" && id !== sheet.features[0]?.id) expect(bite).toBeGreaterThanOrEqual(8_000);
  });
});

describe("light", () => {
  it("is judged three times where it is used: on before the fibre goes in, at the seat, and once the joint is closed", () => {
    let used = 0;
    expect(
      breaking((sheet) => {
        const looks = sheet.lines.filter(({ step }) => step.aids.includes("light")).map(({ index }) => index);
        if (sheet.picked.choices.light === undefined || sheet.picked.choices.light === "without")
          return looks.length > 0 ? ["looks at a light not used"] : [];
        used += 1;
        const seat = sheet.lines.findIndex(is("insert"));
        const closed = sheet.lines.findIndex((line) => line.index > seat && is("actuate")(line));
        return [
          ...(looks.some((at) => at < seat) ? [] : ["not before"]),
          ...(looks.some((at) => at > seat && at < closed) ? [] : ["not at the seat"]),
          ...(looks.some((at) => at > closed) ? [] : ["not closed"]),
        ];
      }),
    ).toEqual([]);
    expect(used).toBeGreaterThan(20);
  });
  it("that is not on stops the work", () => {
    expect(
      breaking((sheet) =>
        sheet.lines.flatMap(({ step }) => {
          const judgement = judgementOf(step);
          if (judgement?.id !== "light-on") return [];
          return judgement.answers
            .filter(
              ({ good, action, retries }) => !good && !(action.startsWith("Stop.") && retries.length === 0),
            )
            .map(({ id }) => id);
        }),
      ),
    ).toEqual([]);
  });
});

describe("the order of work", () => {
  const CLOSES = ["actuate", "crimp", "seal"] as const;
  it("reads a part's face and looks at bow, gap and stand before what fixes them", () => {
    expect(
      breaking((sheet) => {
        const seat = sheet.lines.findIndex(is("insert"));
        const closed = sheet.lines.findIndex((line) => line.index > seat && is(...CLOSES)(line));
        if (seat < 0 || closed < 0 || sheet.lines[seat]?.step.title.includes("contacts")) return [];
        const late = sheet.lines.filter(
          ({ index, step, checks }) =>
            index > closed &&
            // A gap at the outside is read once what presses it is tight.
            (checks.some(
              ({ from, gap }) =>
                !gap && sheet.features.some(({ id, madeAt }) => id === from && madeAt === seat),
            ) ||
              ["gap", "bow"].includes(judgementOf(step)?.id ?? "")),
        );
        return late.map(({ step }) => step.id);
      }),
    ).toEqual([]);
  });
  it("asks whether all coating is off wherever coating is stripped, and whether the cleave is clean wherever one is made", () => {
    expect(
      breaking((sheet) => {
        const strip = sheet.lines.findLastIndex(({ bares }) =>
          bares.some(({ layer }) => layer === "coating"),
        );
        const cleave = sheet.lines.findIndex(is("cleave"));
        const [bare, clean] = [asking(sheet, "coating-off"), asking(sheet, "clean-cleave")];
        return [
          ...(strip >= 0 && !(bare > strip) ? ["coating-off not asked"] : []),
          ...(cleave >= 0 && !(bare < cleave && clean === cleave + 1)
            ? ["clean-cleave not asked at once"]
            : []),
        ];
      }),
    ).toEqual([]);
  });
  it("strips buffer and coating together where it strips warm, and not again", () => {
    let warm = 0;
    expect(
      breaking((sheet) => {
        if (
          sheet.picked.choices["buffer-removal"] !== "thermal" ||
          !sheet.layers.some(({ kind }) => kind === "buffer")
        )
          return [];
        warm += 1;
        const strips = sheet.lines.filter(({ bares }) =>
          bares.some(({ layer }) => layer === "buffer" || layer === "coating"),
        );
        return strips.length === 1 && strips[0]?.bares.length === 2 ? [] : strips.map(({ step }) => step.id);
      }),
    ).toEqual([]);
    expect(warm).toBeGreaterThan(5);
  });
  it("runs a clock of minutes from the cleave to where the end goes in", () => {
    expect(
      breaking((sheet) =>
        sheet.lines.filter(is("cleave")).flatMap(({ index, step }) => {
          const until = lineOf(sheet, step.within?.until ?? "");
          const enters = sheet.lines.findIndex((line) => line.index > index && is("insert", "fuse")(line));
          const minutes = (step.within?.seconds ?? 0) / 60;
          return until === enters && minutes >= 1 && minutes <= 10
            ? []
            : [`${step.id} until ${step.within?.until}`];
        }),
      ),
    ).toEqual([]);
  });
  it("heats and crimps nothing while adhesive cures: before it sets and at once, or after", () => {
    expect(
      breaking((sheet) => {
        const [fill, cure] = [sheet.lines.findIndex(is("inject")), sheet.lines.findIndex(is("cure"))];
        if (cure < 0) return [];
        return sheet.lines
          .filter(({ index, step }) => index > fill && index < cure && is("heat", "crimp")({ step } as Line))
          .filter(
            ({ step }) => !/before the adhesive sets|leave it still|sheet asks|sleeve's end/.test(step.how),
          )
          .map(({ step }) => step.id);
      }),
    ).toEqual([]);
  });
});

describe("limits", () => {
  it("are no tighter than what feeds them, at the worst", () => {
    expect([
      ...new Set(
        laidOut.flatMap(({ procedure, placement }) =>
          strainsOf(placement).map(({ dimension, over }) => `${procedure.id}: ${dimension} over by ${over}`),
        ),
      ),
    ]).toEqual([]);
  });
});

describe("cautions stand where they act", () => {
  it.each<[string, string, (line: Line, family: string) => boolean]>([
    ["eyes and skin beside adhesive, primer and accelerator", "adhesive", is("inject", "dip", "cure")],
    [
      "hot beside shrink and warm strippers",
      "hot",
      ({ step }) =>
        is("heat", "cool")({ step } as Line) || (step.setting?.kind === "program" && step.kind === "remove"),
    ],
    [
      "alcohol kept from heat, arc and hot air",
      "alcohol",
      ({ step }) =>
        is("heat", "fuse")({ step } as Line) || (step.setting?.kind === "program" && step.kind === "remove"),
    ],
    [
      "alcohol wherever it wipes",
      "alcohol",
      ({ step }) =>
        step.kind === "clean" && step.setting?.kind === "words" && step.setting.words.includes("alcohol"),
    ],
    ["the arc", "arc", is("fuse")],
    [
      "blades beside cuts of jacket, sheath, tube, yarn and members",
      "blades",
      ({ step, bares }) =>
        step.kind === "trim" ||
        (step.kind === "remove" &&
          "tool" in step &&
          step.tool !== undefined &&
          bares.some(({ layer }) =>
            ["sheath", "jacket", "tube", "yarn", "rods", "conductor"].includes(layer),
          )),
    ],
    ["fingers beside what closes hard", "pinch", is("crimp")],
    ["shards where glass comes off", "shards", ({ step }) => step.shards > 0],
    ["eyes where bare glass is bent, cleaved or scribed", "eyes", is("bend-test", "cleave", "scribe")],
    [
      "the face cleaned before it is mated, as it is capped",
      "end-face",
      ({ step }) => step.uses.some(({ item }) => item === "dust cap"),
    ],
    ["light never looked into", "live-light", ({ step }) => step.aids.includes("light")],
  ])("%s", (_what, caution, acts) => {
    let met = 0;
    expect(
      breaking((sheet, family) => {
        met += sheet.lines.filter((line) => acts(line, family)).length;
        // Copper contacts have no face that light goes through.
        if (caution === "end-face" && sheet.picked.core === "copper") return [];
        return lacking(sheet, caution, (line) => acts(line, family));
      }),
    ).toEqual([]);
    expect(met).toBeGreaterThan(0);
  });
  it("gel beside the insertion into a connector that holds it", () => {
    expect(
      breaking((sheet, family) =>
        /^(stub|guided|drop)/.test(family) ? lacking(sheet, "index-gel", is("insert")) : [],
      ),
    ).toEqual([]);
  });
  it("wiping after the cleave is spoken of only where something is cleaved", () => {
    expect(
      breaking((sheet) =>
        sheet.lines.some(is("cleave"))
          ? []
          : sheet.lines
              .filter(({ step }) => /cleave/i.test(`${step.title} ${step.how}`))
              .map(({ step }) => step.id),
      ),
    ).toEqual([]);
  });
});

describe("a retry", () => {
  /** What each rule must go back to for what it names to be done again. */
  const REDOES: Readonly<Record<string, (line: Line) => boolean>> = {
    strip: is("mark", "trim", "load"),
    recleave: is("mark", "trim", "load"),
    rewedge: is("mark", "trim", "load"),
    wipe: is("clean"),
    clean: is("clean"),
    reseat: is("insert", "load"),
    repolish: is("polish"),
    reshrink: is("heat"),
    "stub-again": is("dress"),
    recrimp: is("crimp"),
    swap: is("load", "thread"),
    "swap-legs": is("dress"),
    reorder: is("insert"),
    relay: is("load"),
    "rewedge-press": is("load"),
    retighten: is("torque", "seal"),
  };
  it("goes back to the step that really redoes it, before the look that asks; from the start, to the first mark", () => {
    let offers = 0;
    expect(
      breaking((sheet) =>
        sheet.lines.flatMap(({ index, step }) =>
          (judgementOf(step)?.answers ?? []).flatMap(({ id: answer }) =>
            retriesOffered(sheet, endState([]), judgementOf(step)?.id ?? "", answer).flatMap(
              ({ rule, to }) => {
                offers += 1;
                const right = rule.fromStart
                  ? to === firstCut(sheet)
                  : REDOES[rule.id]?.(sheet.lines[to] as Line);
                return right && to < index ? [] : [`${step.id}: ${rule.id} to ${to}`];
              },
            ),
          ),
        ),
      ),
    ).toEqual([]);
    expect(offers).toBeGreaterThan(500);
  });
  it("after a strip or a cleave says that it costs cable, and none says that it does not", () => {
    for (const { procedure } of laidOut) {
      for (const { id, reuses } of procedure.retries)
        if (id === "recleave" || id === "rewedge")
          expect([procedure.id, id, reuses]).toEqual([
            procedure.id,
            id,
            expect.stringContaining("cable is lost"),
          ]);
      const words = JSON.stringify(procedure);
      expect(words).not.toMatch(/no cable lost|cleave again, shorter/i);
    }
  });
  it("where a style begins from the start for glass that is bad, offers nothing less", () => {
    const drop = procedures.find(({ id }) => id === "drop-clamp");
    expect(drop?.retries.filter(({ fromStart }) => !fromStart).map(({ id }) => id)).toEqual(["wipe"]);
    expect(drop?.dimensions.find(({ id }) => id === "cleave")?.fromStart).toBe(true);
  });
});

describe("figures and words", () => {
  it("are the library's own: no length stands as practitioners state it for the like style", () => {
    // The check values of the trade (common practice, no source), for the styles where an equal figure would be theirs.
    const OTHERS: readonly [family: string, dimension: string, figures: readonly number[]][] = [
      ["stub-cam-crimp", "strip", [40]],
      ["stub-cam-crimp", "reference", [11]],
      ["stub-wedge-release", "clamp", [254]],
      ["stub-wedge-release", "jacket", [70, 57]],
      ["stub-wedge-release", "buffer", [40, 30]],
      ["stub-wedge-release", "buffer-out", [30, 27]],
      ["stub-wedge-release", "cleave", [10.5, 10]],
      ["guided-insertion", "strip", [25]],
      ["guided-insertion", "cleave", [8]],
      ["stub-one-stroke", "cleave", [8]],
      ["drop-clamp", "sheath", [45]],
      ["drop-clamp", "out", [40]],
      ["breakout-kit", "tube-strip", [955, 952.5]],
      ["central-tube-ribbon", "first-ring", [100]],
      ["closure-entry", "members", [50.8, 57.15]],
      ["closure-entry", "ripcords", [25.4]],
    ];
    for (const [family, dimension, figures] of OTHERS) {
      const own = procedures
        .filter((procedure) => procedure.family === family)
        .flatMap(({ dimensions }) => dimensions.filter(({ id }) => id === dimension))
        .flatMap((item) => [item.nominal, ...item.cases.map(({ nominal }) => nominal)]);
      expect(own.length).toBeGreaterThan(0);
      for (const figure of own) expect([family, dimension, figures]).not.toContain(figure / 1000);
      for (const figure of figures) expect(own).not.toContain(figure * 1000);
    }
    const wedge = procedures.filter(({ family }) => family === "stub-wedge-release");
    for (const { dimensions } of wedge)
      expect(dimensions.find(({ id }) => id === "cleave")?.plus).not.toBe(500);
    expect(JSON.stringify(procedures)).not.toMatch(/60°|half turn/);
  });
});

describe("a procedure reads every length it states limits for once, at the latest where it still can be reworked", () => {
  it("names each check in one step only", () => {
    for (const { id, steps } of procedures) {
      const all = steps.flatMap(checksOf);
      expect([id, all.length]).toEqual([id, new Set(all).size]);
    }
  });
});
