import type { z } from "zod";
import { zCable } from "../cable/cable";
import { type Procedure, zProcedure } from "../procedure/procedure";
import { zTool } from "../procedure/tool";
import { type CompileInput, compileRunSheet } from "./compile";
import { featureOf, type RunSheet } from "./runsheet";

const source = { kind: "own" as const, note: "made in a test", date: "2026-11-24" };

type Draft = z.input<typeof zProcedure>;
type DraftStep = Draft["steps"][number];

/** A cord of one or more legs, made for a test. */
export const cord = (changes: Partial<z.input<typeof zCable>> = {}) =>
  zCable.parse({
    id: "test-cord",
    revision: 1,
    source,
    name: "Test cord",
    about: "",
    construction: "simplex-cord",
    fibreCount: 1,
    cores: ["9/125"],
    grip: "tight",
    legs: [""],
    layers: [
      { kind: "jacket", name: "jacket", diameter: 3, hue: "yellow" },
      { kind: "yarn", name: "yarn", diameter: 2, hue: "gold" },
      { kind: "buffer", name: "buffer", diameter: 0.9, hue: "white" },
      { kind: "coating", name: "coating", diameter: 0.25, hue: "clear" },
      { kind: "glass", name: "glass", diameter: 0.125, hue: "clear" },
    ],
    ...changes,
  });

export const tools = [
  zTool.parse({ id: "pen", name: "pen", error: 0.4, source }),
  zTool.parse({ id: "cutter", name: "cutter", error: 0.3, source }),
];

/** A dimension's id, datum, feature, nominal and tolerance either side. */
export type Row = readonly [
  id: string,
  from: string,
  to: string,
  nominal: number,
  plus: number | null,
  minus: number | null,
];

/**
 * A procedure from its dimensions alone: features are named by them, the first datum is the cable end, and each
 * row marks or cleaves its `to` feature in turn (a row whose id starts with “check” makes nothing).
 */
export function procedureOf(
  rows: readonly Row[],
  more: { before?: DraftStep[]; steps?: DraftStep[]; changes?: Partial<Draft> } = {},
): Procedure {
  const names = [...new Set(rows.flatMap(([, from, to]) => [from, to]))];
  const making = rows.filter(([id]) => !id.startsWith("check"));
  const steps = making.map(([id, from, to]): DraftStep => {
    const common = { id: `make-${id}`, title: id, by: id };
    return from === "glass" || to === "glass"
      ? { ...common, kind: "cleave", makes: "glass", tool: "cutter", replaces: rows[0]?.[1] as string }
      : { ...common, kind: "mark", makes: to, tool: "pen" };
  });
  const last = steps.at(-1)?.id as string;
  return zProcedure.parse({
    id: "test-procedure",
    revision: 1,
    source,
    name: "Test procedure",
    family: "test",
    about: "",
    appliesTo: { constructions: ["simplex-cord", "duplex-cord"], cores: ["9/125", "50/125"] },
    startsAt: "jacket",
    choices: [],
    parts: [],
    squareUp: 5,
    retries: { most: 1, rule: "" },
    features: names.map((id, i) => ({
      id,
      name: id,
      kind: i === 0 || id === "glass" ? "end" : id.startsWith("part") ? "part" : "edge",
    })),
    dimensions: rows.map(([id, from, to, nominal, plus, minus]) => ({
      id,
      name: id,
      from,
      to,
      nominal,
      plus,
      minus,
      after: last,
    })),
    steps: [...(more.before ?? []), ...steps, ...(more.steps ?? [])],
    ...more.changes,
  });
}

export const compile = (procedure: Procedure, changes: Partial<CompileInput> = {}): RunSheet =>
  compileRunSheet({ procedure, cable: cord(), core: "9/125", choices: {}, tools, ...changes });

/** Millimetres behind the cable end. */
export const at = (sheet: RunSheet, feature: string): number => featureOf(sheet, feature).position / 1000;

/** Nominal and limits of a length once prepared, millimetres. */
export function prepared(sheet: RunSheet, from: string, to: string) {
  const length = sheet.lengths.find((one) => one.stage === "prepared" && one.from === from && one.to === to);
  if (!length) throw new Error(`no length from ${from} to ${to}`);
  return {
    nominal: length.nominal / 1000,
    min: length.min === null ? null : length.min / 1000,
    max: length.max === null ? null : length.max / 1000,
  };
}
