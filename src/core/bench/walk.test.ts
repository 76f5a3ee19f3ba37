import { describe, expect, it } from "vitest";
import { shippedLibrary } from "../../../harness/shipped";
import type { LayerKind } from "../cable/cable";
import { asWritten } from "../problem/check";
import { mustHoldAt } from "../problem/held";
import { misfits } from "../procedure/fit";
import { type Procedure, type ProcedureDocument, zProcedure } from "../procedure/procedure";
import { variantsOf } from "../review/contradictions";
import { placementOf } from "../review/placements";
import { review } from "../review/review";
import { resolved } from "../runsheet/resolved";
import { drawsFor } from "../simulated/hidden-end";
import { undecidedOf } from "./undecided";
import { violationText } from "./violation";
import { walkWithWays } from "./walk";

/**
 * What the model of the bench holds of the shipped sheets, and what it finds in sheets made harmful on purpose. The contracts
 * are common practice, no source.
 */
const { cables, procedures, tools } = shippedLibrary();

const laidOut = (procedure: Procedure) =>
  cables.flatMap((cable) =>
    cable.cores
      .filter((core) => misfits(procedure, cable, core).length === 0)
      .flatMap((core) =>
        [...variantsOf(procedure, cable, core)].flatMap(
          (picked) => placementOf(resolved(procedure, cable, picked), tools) ?? [],
        ),
      ),
  );

describe("every shipped sheet, on every cable and with every choice", () => {
  it("can be walked, and so can every way back: no step comes before it can be done, none spoils the end", () => {
    let walked = 0;
    for (const procedure of procedures)
      for (const placement of laidOut(procedure)) {
        walked += 1;
        const reported = walkWithWays(placement).map(violationText);
        expect([procedure.id, placement.cable.id, reported]).toEqual([procedure.id, placement.cable.id, []]);
      }
    expect(walked).toBeGreaterThan(1_000);
  }, 120_000);
  it("leaves nothing undecided: every bore, act, look and joint is said", () => {
    for (const procedure of procedures)
      expect([procedure.id, undecidedOf(procedure).map(({ message }) => message)]).toEqual([
        procedure.id,
        [],
      ]);
  });
});

type Steps = ProcedureDocument["steps"];
/** A way to make a sheet harmful: the steps it leaves, or null where the sheet has nothing it could spoil. */
type Harm = (steps: Steps) => Steps | null;
/** The same of the whole document: every one that can be made of it. */
type DocumentHarm = (document: ProcedureDocument) => ProcedureDocument[];

const at = (steps: Steps, ...kinds: Steps[number]["kind"][]) =>
  steps.findIndex(({ kind }) => kinds.includes(kind));
const without = (steps: Steps, i: number): Steps => steps.filter((_, n) => n !== i);
const moved = (steps: Steps, from: number, before: number): Steps | null => {
  const step = steps[from];
  if (!step || from < 0 || before < 0) return null;
  const rest = without(steps, from);
  const to = before > from ? before - 1 : before;
  return [...rest.slice(0, to), step, ...rest.slice(to)];
};
const behind = (steps: Steps, from: number, after: number) => moved(steps, from, after < 0 ? -1 : after + 1);
const takes = (step: Steps[number], ...layers: LayerKind[]) =>
  step.kind === "remove" && step.layers.some((layer) => layers.includes(layer));
const strip = (steps: Steps, ...layers: LayerKind[]) => steps.findIndex((step) => takes(step, ...layers));
const lastStrip = (steps: Steps) => steps.findLastIndex((step) => takes(step, "coating", "buffer"));
/** The wipe of the glass: the first after it is bared. */
const wipe = (steps: Steps) => {
  const cleave = at(steps, "cleave");
  return steps.findIndex(({ kind }, i) => kind === "clean" && i > lastStrip(steps) && i < cleave);
};

const HARMS: Readonly<Record<string, Harm>> = {
  "cleaved before the glass is bare": (steps) =>
    moved(steps, at(steps, "cleave"), strip(steps, "coating", "buffer")),
  "not wiped before the cleave": (steps) => (wipe(steps) < 0 ? null : without(steps, wipe(steps))),
  "wiped after the cleave": (steps) =>
    wipe(steps) < 0 ? null : behind(steps, wipe(steps), at(steps, "cleave")),
  "bent after the cleave": (steps) => behind(steps, at(steps, "bend-test"), at(steps, "cleave")),
  "threaded after the cleave": (steps) => behind(steps, at(steps, "thread"), at(steps, "cleave")),
  "threaded once all is closed": (steps) => behind(steps, at(steps, "thread"), at(steps, "cap")),
  "put in before it is cleaved": (steps) =>
    at(steps, "cleave") < 0 ? null : moved(steps, at(steps, "insert", "fuse"), at(steps, "cleave")),
  "closed before the fibre is in": (steps) => {
    const insert = at(steps, "insert");
    const close = steps.findIndex(({ kind }, i) => i > insert && (kind === "actuate" || kind === "crimp"));
    return insert < 0 || at(steps, "cleave") < 0 ? null : moved(steps, close, insert);
  },
  "crimped before the fibre is in": (steps) =>
    at(steps, "insert") < 0 ? null : moved(steps, at(steps, "crimp"), at(steps, "insert")),
  "never put in": (steps) =>
    at(steps, "cleave") < 0 || at(steps, "insert") < 0 ? null : without(steps, at(steps, "insert")),
  "cured before the fibre is in": (steps) =>
    at(steps, "cure") < 0 ? null : moved(steps, at(steps, "cure"), at(steps, "insert")),
  "no adhesive to cure": (steps) =>
    at(steps, "cure") < 0 ? null : steps.filter(({ kind }) => kind !== "inject" && kind !== "dip"),
  "scribed before it is bonded": (steps) => moved(steps, at(steps, "scribe"), at(steps, "cure")),
  "polished before it is scribed": (steps) => moved(steps, at(steps, "polish"), at(steps, "scribe")),
  "never scribed": (steps) => (at(steps, "scribe") < 0 ? null : without(steps, at(steps, "scribe"))),
  "capped with nobody having looked at the polished face": (steps) => {
    const polish = steps.findLastIndex(({ kind }) => kind === "polish");
    const look = steps.findIndex(({ kind }, i) => kind === "inspect" && i > polish);
    return polish < 0 || look < 0 ? null : without(steps, look);
  },
  "welded before it is cleaved": (steps) => moved(steps, at(steps, "fuse"), at(steps, "cleave")),
  "shrunk before it is welded": (steps) =>
    at(steps, "fuse") < 0 ? null : moved(steps, at(steps, "heat"), at(steps, "fuse")),
  "never welded": (steps) => (at(steps, "fuse") < 0 ? null : without(steps, at(steps, "fuse"))),
  "an inner layer taken off before the one around it": (steps) => {
    const outer = strip(steps, "jacket");
    const inner = steps.findIndex((step, i) => i > outer && takes(step, "buffer"));
    return outer < 0 || inner < 0 ? null : moved(steps, inner, outer);
  },
  "stripped after the cleave": (steps) => behind(steps, lastStrip(steps), at(steps, "cleave")),
  "read before it is made": (steps) => moved(steps, at(steps, "measure"), Math.max(0, at(steps, "mark"))),
  "the light asked for after the cleave": (steps) =>
    behind(
      steps,
      steps.findIndex(({ id }) => id === "light-on"),
      at(steps, "cleave"),
    ),
  "shards counted before the cleave": (steps) => moved(steps, at(steps, "dispose"), at(steps, "cleave")),
  "the jacket never taken off": (steps) =>
    strip(steps, "jacket") < 0 ? null : steps.filter((step) => !takes(step, "jacket")),
  "capped before the fibre is in": (steps) =>
    at(steps, "cleave") < 0 ? null : moved(steps, at(steps, "cap"), at(steps, "insert", "fuse")),
};

const OTHER_WAY = { push: "draw", draw: "push", strip: "push", trim: "push", "cut-back": "push" } as const;
const turned = (remedies: unknown): unknown =>
  Array.isArray(remedies)
    ? remedies.map((remedy) =>
        remedy.act in OTHER_WAY
          ? { ...remedy, act: OTHER_WAY[remedy.act as keyof typeof OTHER_WAY] }
          : remedy,
      )
    : remedies;
const judged = (steps: Steps) =>
  steps.flatMap((step, i) => ("judgement" in step && step.judgement ? [i] : []));

/** Looks that may be left out without harm to an end, each with why. */
const HARMLESS: Readonly<Record<string, string>> = {
  loss: "the record says that no loss was read; the end face was looked at",
};

const DOCUMENT_HARMS: Readonly<Record<string, DocumentHarm>> = {
  "a look left out": ({ steps, ...rest }) =>
    judged(steps)
      .filter((i) => HARMLESS[steps[i]?.id ?? ""] === undefined)
      .map((i) => ({ ...rest, steps: without(steps, i) })),
  "a remedy the wrong way round": (document) =>
    document.dimensions.flatMap((dimension, i) =>
      (["ifLong", "ifShort"] as const).flatMap((side) => {
        const wrong = turned(dimension[side]);
        if (JSON.stringify(wrong) === JSON.stringify(dimension[side])) return [];
        const dimensions = document.dimensions.map((other, n) =>
          n === i ? { ...other, [side]: wrong } : other,
        );
        return [{ ...document, dimensions: dimensions as ProcedureDocument["dimensions"] }];
      }),
    ),
  "a bore too small": (document) =>
    document.parts.flatMap((part, i) =>
      part.bore === undefined
        ? []
        : [
            {
              ...document,
              parts: document.parts.map((other, n) => (n === i ? { ...other, bore: 0.2 } : other)),
            },
          ],
    ),
  "parts threaded the other way round": (document) => {
    const parts = [...document.parts].reverse();
    const needed = new Set(document.parts.filter(({ opens }) => !opens).map(({ neededAt }) => neededAt));
    return needed.size > 1 ? [{ ...document, parts }] : [];
  },
  "a part nobody threads": (document) =>
    document.parts.length > 0
      ? [{ ...document, steps: document.steps.filter(({ kind }) => kind !== "thread") }]
      : [],
  "the joint not opened before another try": (document) => {
    const steps = document.steps.map((step) =>
      "judgement" in step && step.judgement
        ? {
            ...step,
            judgement: {
              ...step.judgement,
              answers: step.judgement.answers.map((answer) => ({
                ...answer,
                retries: (answer.retries ?? []).map(({ via: _, ...retry }) => retry),
              })),
            },
          }
        : step,
    );
    return JSON.stringify(steps) === JSON.stringify(document.steps)
      ? []
      : [{ ...document, steps: steps as Steps }];
  },
  "a way back that goes on behind the look that asked": (document) =>
    document.steps.flatMap((step, i) => {
      const last = document.steps.at(-1)?.id ?? "";
      if (
        !("judgement" in step) ||
        !step.judgement?.answers.some(({ retries }) => (retries ?? []).length > 0)
      )
        return [];
      const judgement = {
        ...step.judgement,
        answers: step.judgement.answers.map((answer) => ({
          ...answer,
          retries: (answer.retries ?? []).map((retry) => ({ ...retry, goTo: last })),
        })),
      };
      const steps = document.steps.map((other, n) => (n === i ? { ...step, judgement } : other));
      return [{ ...document, steps: steps as Steps }];
    }),
};

/** A shipped procedure as it is written. */
const writtenOf = (procedure: Procedure): ProcedureDocument =>
  asWritten(zProcedure, zProcedure.encode(procedure));

/** Whether the walk or the review says anything against a sheet with other steps. */
function isFound(document: ProcedureDocument): boolean {
  const { contradictions, problem, advice } = review(document, { cables, tools }, null);
  return contradictions.length + advice.length > 0 || problem !== null;
}

describe("sheets made harmful on purpose", () => {
  const mutants = procedures
    .filter(({ family }) => family !== "closure-entry")
    .map(writtenOf)
    .flatMap((document) => [
      ...Object.entries(HARMS).flatMap(([harm, make]) => {
        const steps = make(document.steps);
        // A thread step with nothing to thread harms nothing wherever it stands.
        if (harm.startsWith("threaded") && document.parts.length === 0) return [];
        return steps ? [{ document, harm, mutant: { ...document, steps } }] : [];
      }),
      ...Object.entries(DOCUMENT_HARMS).flatMap(([harm, make]) =>
        make(document).map((mutant) => ({ document, harm, mutant })),
      ),
    ]);
  it("are sound sheets before", () => {
    for (const document of new Set(mutants.map((mutant) => mutant.document)))
      expect([document.id, isFound(document)]).toEqual([document.id, false]);
  }, 120_000);
  it("are found: at least 95 of 100, and each kind of harm on most sheets it can be done to", () => {
    const missed = mutants.filter(({ mutant }) => !isFound(mutant));
    const names = missed.map(
      ({ document, harm, mutant }) =>
        `${document.id}: ${harm} (${document.steps.find(({ id }) => !mutant.steps.some((step) => step.id === id))?.id ?? ""})`,
    );
    expect(mutants.length).toBeGreaterThan(700);
    expect([names, missed.length / mutants.length <= 0.05]).toEqual([names, true]);
    for (const harm of [...Object.keys(HARMS), ...Object.keys(DOCUMENT_HARMS)]) {
      const all = mutants.filter((mutant) => mutant.harm === harm);
      const lost = missed.filter((mutant) => mutant.harm === harm);
      expect([harm, all.length > 0, lost.length <= all.length / 2]).toEqual([harm, true, true]);
    }
  }, 120_000);
  it("name the step and what to do", () => {
    const wedge = writtenOf(
      mustHoldAt(
        procedures.filter(({ id }) => id === "stub-wedge-release-cord"),
        0,
      ),
    );
    const report = (harm: string) =>
      review(
        { ...wedge, steps: HARMS[harm]?.(wedge.steps) ?? [] },
        { cables, tools },
        "simplex-3.0",
      ).contradictions.map(({ message }) => message);
    expect(report("wiped after the cleave").join()).toMatch(
      /Step “.+”: the end is cleaved and not in yet\. A wipe/,
    );
    expect(report("bent after the cleave").join()).toMatch(/Bend the glass before the cleave/);
    expect(report("closed before the fibre is in").join()).toMatch(/the fibre is not in yet/);
  });
});

/** Steps that change nothing of the glass, the layers or the joint: what is done to them later is done all the same. */
const QUIET: readonly string[] = [
  "thread",
  "mark",
  "load",
  "verify",
  "inspect",
  "bend-test",
  "test",
  "measure",
  "dispose",
  "clean",
];

/** Why two steps may change places, or one be left out or done at another time; null where it may not. */
function whyHarmless(harm: RandomHarm, [a, b]: readonly [Steps[number], Steps[number]]): string | null {
  if (a.when && b.when && JSON.stringify(a.when) !== JSON.stringify(b.when))
    return "one is there on one cable or by one choice, the other on another";
  if (a.id === "read-light" && harm === "dropped") return "the record says that no loss was read";
  if (a.id === "read-light" && harm === "done last")
    return "the cap comes off to read it: the end is the same";
  if (harm === "dropped")
    return a.kind === "thread"
      ? "nothing is threaded on"
      : a.kind === "dispose"
        ? "no glass comes off on this sheet"
        : null;
  if (harm === "done last") {
    if (a.kind === "thread") return "nothing is threaded on";
    return a.kind === "cap" || a.kind === "dress" ? "only the count of the shards comes before it" : null;
  }
  if (harm === "done first") {
    if (QUIET.includes(a.kind) || a.kind === "trim") return "it asks for nothing that is made before it";
    return a.kind === "dress" ? "the cable is opened before anything goes over it" : null;
  }
  if (QUIET.includes(a.kind) && QUIET.includes(b.kind)) return "neither changes what the other works on";
  const kinds = [a.kind, b.kind].sort().join(" ");
  return FREE_PAIRS[kinds] ?? null;
}

const FREE_PAIRS: Readonly<Record<string, string>> = {
  "cap dispose": "the count is the same on either side of the cap",
  "trim trim": "each is cut by itself, from an edge of its own",
  "dip inject": "fibre primed and ferrule filled, in either order, before the fibre goes in",
  "dress load": "the connector stands ready earlier or later: the fibre is not in it yet",
  "dress mark": "the mark lies on what is not moved",
  "dress thread": "the cable is opened before or after the body goes over it",
  "load remove": "the connector stands ready earlier or later: the fibre is not in it yet",
  "dress test": "the tube is let go before or after the pull: neither touches the other",
  "dress remove": "the tube is out of the way of the other cable's buffer",
  "mark trim": "both are laid off from the cable end",
  "remove remove": "one is there by one choice, the other by another",
  "thread trim": "nothing passes what is cut",
  "fold trim": "the piece cut is not on the cable yet",
  "clean dress": "the face is wiped after either",
  "dress inspect": "the boot is on before or after the look: the face is wiped for it",
};

type RandomHarm = "dropped" | "done last" | "done first" | "changed places";
const RANDOM: readonly RandomHarm[] = ["dropped", "done last", "done first", "changed places"];

/** One harm of a kind by chance: the steps it leaves, and the two it is about. */
function harmed(harm: RandomHarm, steps: Steps, draw: () => number) {
  const [i, j] = [Math.floor(draw() * steps.length), Math.floor(draw() * steps.length)];
  const [a, b] = [mustHoldAt(steps, i), mustHoldAt(steps, j)];
  const rest = without(steps, i);
  switch (harm) {
    case "dropped":
      return { about: [a, b] as const, steps: rest };
    case "done last":
      return { about: [a, b] as const, steps: [...rest, a] };
    case "done first":
      return { about: [a, b] as const, steps: [a, ...rest] };
    case "changed places":
      return { about: [a, b] as const, steps: steps.map((step, n) => (n === i ? b : n === j ? a : step)) };
  }
}

describe.each(["moor", "hut", "hall"])("sheets harmed by chance, from the seed “%s”", (seed) => {
  it("are found but for a few, each harmless, and why is known", () => {
    const documents = procedures.map(writtenOf);
    const draw = drawsFor(seed);
    const tried = Array.from({ length: 400 }, () => {
      const document = mustHoldAt(documents, Math.floor(draw() * documents.length));
      const harm = mustHoldAt(RANDOM, Math.floor(draw() * RANDOM.length));
      return { document, harm, ...harmed(harm, document.steps, draw) };
    }).filter(({ document, steps }) => JSON.stringify(steps) !== JSON.stringify(document.steps));
    const missed = tried.filter(({ document, steps }) => !isFound({ ...document, steps }));
    const unknown = missed
      .filter(({ harm, about }) => whyHarmless(harm, about) === null)
      .map(({ document, harm, about }) => `${document.id}: ${about.map(({ id }) => id).join(", ")} ${harm}`);
    expect(unknown).toEqual([]);
    // What chance makes is harmless more often than what is thought up: those count against it here.
    expect([missed.length, missed.length / tried.length <= 0.06]).toEqual([missed.length, true]);
  }, 120_000);
});
