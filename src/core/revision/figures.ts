import { mustHoldAt } from "../problem/held";
import type { Procedure, ProcedureDocument } from "../procedure/procedure";
import type { Setting } from "../procedure/setting";
import type { Resolved } from "../runsheet/resolved";
import { figureKey, isRepresentative } from "../runsheet/stated";

/** One printed figure to be held against the part's sheet, and where it stands in the document. */
export interface SheetFigure {
  /** Name under which its confirmation is kept. */
  readonly key: string;
  readonly path: readonly (string | number)[];
  readonly name: string;
  /** Lengths: from what, to what, in the procedure's words. Others: what they are of. */
  readonly about: string;
  readonly unit: "mm" | "s" | "µm" | "N" | "N·m";
  /** In that unit, as written in the document; a length with its tolerances, a time with its greatest. */
  readonly value: number;
  readonly plus: number | null;
  readonly minus: number | null;
  readonly most: number | null;
  readonly printed: readonly [string, string] | null;
  readonly representative: boolean;
}

/** Every figure that an end on this cable would be made by, in the order of the document. */
export const figuresToConfirm = (made: Resolved): SheetFigure[] => [
  ...lengthFigures(made),
  ...timeFigures(made),
  ...settingFigures(made),
];

function lengthFigures({ procedure, dimensions }: Resolved): SheetFigure[] {
  const nameOf = (id: string) => procedure.features.find((feature) => feature.id === id)?.name ?? id;
  return dimensions.map((dimension) => {
    const { id, name, from, to, nominal, plus, minus, caseIndex, representative, printed } = dimension;
    const at = procedure.dimensions.findIndex((one) => one.id === id);
    return {
      key: figureKey(id, caseIndex),
      path: caseIndex === null ? ["dimensions", at] : ["dimensions", at, "cases", caseIndex],
      name,
      about: `${nameOf(from)} to ${nameOf(to)}`,
      unit: "mm",
      value: nominal / 1000,
      plus: plus === null ? null : plus / 1000,
      minus: minus === null ? null : minus / 1000,
      most: null,
      printed: printed ?? null,
      representative,
    };
  });
}

type Steps = Procedure["steps"];

/** Of each step that holds, where a field of it is stated: in the case that holds, else in the step itself. */
function stepFields<K extends "seconds" | "setting">({ steps, written, procedure }: Resolved, field: K) {
  return steps.flatMap((step, n) => {
    const { at, caseIndex } = mustHoldAt(written, n);
    const stated = caseIndex === null ? undefined : procedure.steps[at]?.cases[caseIndex]?.[field];
    const own = stated !== undefined && caseIndex !== null;
    const value = (own ? stated : procedure.steps[at]?.[field]) as Steps[number][K];
    if (value === undefined) return [];
    const path = own ? ["steps", at, "cases", caseIndex, field] : ["steps", at, field];
    return [{ step, value, path, key: `${field}:${figureKey(step.id, own ? caseIndex : null)}` }];
  });
}

const NO_TOLERANCE = { plus: null, minus: null, printed: null } as const;

function timeFigures(made: Resolved): SheetFigure[] {
  const { procedure } = made;
  return stepFields(made, "seconds").map(({ step, value, path, key }) => ({
    ...NO_TOLERANCE,
    key,
    path,
    name: step.title,
    about: "time, from and to",
    unit: "s",
    value: value?.min ?? 0,
    most: value?.max ?? 0,
    representative: isRepresentative(procedure, key),
  }));
}

const SETTING_FIELD = {
  hole: "diameter",
  die: "across",
  film: "grain",
  depth: "depth",
  pull: "newtons",
  torque: "newtonMetres",
} as const;
const SETTING_ABOUT = {
  hole: "stripper's hole",
  die: "crimp die, across",
  film: "film's grain",
  depth: "blade depth",
  pull: "pull",
  torque: "torque",
} as const;

const UNIT_OF: Partial<Record<Setting["kind"], SheetFigure["unit"]>> = {
  film: "µm",
  pull: "N",
  torque: "N·m",
};

function settingFigures(made: Resolved): SheetFigure[] {
  const { procedure } = made;
  return stepFields(made, "setting").flatMap(({ step, value: setting, path, key }): SheetFigure[] => {
    if (!setting || setting.kind === "program" || setting.kind === "words") return [];
    // How deep that is follows from the cable: no part's sheet states it.
    if (setting.kind === "share") return [];
    const field = SETTING_FIELD[setting.kind];
    const written = (setting as unknown as Record<string, number>)[field] as number;
    return [
      {
        ...NO_TOLERANCE,
        key,
        path: [...path, field],
        name: step.title,
        about: SETTING_ABOUT[setting.kind],
        unit: UNIT_OF[setting.kind] ?? "mm",
        value: UNIT_OF[setting.kind] ? written : written / 1000,
        most: null,
        representative: isRepresentative(procedure, key),
      },
    ];
  });
}

/** What the technician read off the part's sheet for one figure. */
export interface Confirmed
  extends Pick<SheetFigure, "key" | "path" | "unit" | "value" | "plus" | "minus" | "most" | "printed"> {}

/**
 * A document with figures confirmed or corrected: the next revision, the user's own. Figures not among them
 * stay representative.
 * @param note which sheet they were held against, and by whom.
 */
export function withConfirmed(
  document: ProcedureDocument,
  figures: readonly Confirmed[],
  { revision, note, date }: { revision: number; note: string; date: string },
): ProcedureDocument {
  const next = structuredClone(document);
  for (const figure of figures) put(next, figure);
  const before = document.source.kind === "own" ? document.confirmed : [];
  const confirmed = before && [...new Set([...before, ...figures.map(({ key }) => key)])];
  return {
    ...next,
    revision,
    source: { kind: "own", note, date },
    ...(confirmed ? { confirmed } : {}),
  };
}

function put(
  document: ProcedureDocument,
  { path, unit, value, plus, minus, most, printed }: Confirmed,
): void {
  const parent = path
    .slice(0, -1)
    .reduce<unknown>((inside, key) => (inside as Record<string | number, unknown>)[key], document);
  const last = path.at(-1) as string | number;
  const holder = parent as Record<string | number, unknown>;
  if (unit === "s") holder[last] = { min: value, max: most ?? value };
  else if (typeof holder[last] === "object" && holder[last] !== null) {
    const { printed: _, ...rest } = holder[last] as Record<string, unknown>;
    holder[last] = { ...rest, nominal: value, plus, minus };
  } else holder[last] = value;
  if (printed && path[0] === "dimensions") {
    const index = path[1] as number;
    document.dimensions[index] = { ...(document.dimensions[index] as object), printed } as never;
  }
}
