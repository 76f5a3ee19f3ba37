import { mustHoldAt } from "../problem/held";
import { isRecord } from "../problem/is-record";
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

/**
 * Every figure that an end on this cable would be made by, in the order of the document.
 * @example figuresToConfirm(resolved(stub, cord, picked)).length > 0 // true
 */
export const figuresToConfirm = (resolved: Resolved): SheetFigure[] => [
  ...lengthFigures(resolved),
  ...timeFigures(resolved),
  ...settingFigures(resolved),
];

function lengthFigures({ procedure, dimensions }: Resolved): SheetFigure[] {
  const nameOf = (id: string) => procedure.features.find((feature) => feature.id === id)?.name ?? id;
  return dimensions.map((dimension) => {
    const { id, name, from, to, nominal, plus, minus, caseIndex, representative, printed } = dimension;
    const at = procedure.dimensions.findIndex((dimension) => dimension.id === id);
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

type Stating = Pick<Procedure["steps"][number]["cases"][number], "seconds" | "setting">;

/** Of each step that holds, where a field of it is stated: in the case that holds, else in the step itself. */
function stepFields<T>(
  { steps, written, procedure }: Resolved,
  field: keyof Stating,
  of: (stating: Stating) => T | undefined,
) {
  return steps.flatMap((step, n) => {
    const { at, caseIndex } = mustHoldAt(written, n);
    const whole = mustHoldAt(procedure.steps, at);
    const inCase = caseIndex === null ? undefined : of(mustHoldAt(whole.cases, caseIndex));
    const value = inCase ?? of(whole);
    if (value === undefined) return [];
    const own = inCase !== undefined && caseIndex !== null;
    const path = own ? ["steps", at, "cases", caseIndex, field] : ["steps", at, field];
    return [{ step, value, path, key: `${field}:${figureKey(step.id, own ? caseIndex : null)}` }];
  });
}

const NO_TOLERANCE = { plus: null, minus: null, printed: null } as const;

function timeFigures(resolved: Resolved): SheetFigure[] {
  const { procedure } = resolved;
  return stepFields(resolved, "seconds", ({ seconds }) => seconds).map(({ step, value, path, key }) => ({
    ...NO_TOLERANCE,
    key,
    path,
    name: step.title,
    about: "time, from and to",
    unit: "s",
    value: value.min,
    most: value.max,
    representative: isRepresentative(procedure, key),
  }));
}

type Stated = Pick<SheetFigure, "about" | "unit" | "value"> & { readonly field: string };

/** The one figure of a setting that a part's sheet states; null for what is words, or follows from the cable. */
function statedIn(setting: Setting): Stated | null {
  switch (setting.kind) {
    case "hole":
      return { field: "diameter", about: "stripper's hole", unit: "mm", value: setting.diameter / 1000 };
    case "die":
      return { field: "across", about: "crimp die, across", unit: "mm", value: setting.across / 1000 };
    case "film":
      return { field: "grain", about: "film's grain", unit: "µm", value: setting.grain };
    case "depth":
      return { field: "depth", about: "blade depth", unit: "mm", value: setting.depth / 1000 };
    case "pull":
      return { field: "newtons", about: "pull", unit: "N", value: setting.newtons };
    case "torque":
      return { field: "newtonMetres", about: "torque", unit: "N·m", value: setting.newtonMetres };
    default:
      return null;
  }
}

function settingFigures(resolved: Resolved): SheetFigure[] {
  return stepFields(resolved, "setting", ({ setting }) => setting).flatMap(
    ({ step, value, path, key }): SheetFigure[] => {
      const stated = statedIn(value);
      if (!stated) return [];
      const { field, ...figure } = stated;
      return [
        {
          ...NO_TOLERANCE,
          ...figure,
          key,
          path: [...path, field],
          name: step.title,
          most: null,
          representative: isRepresentative(resolved.procedure, key),
        },
      ];
    },
  );
}

/** What the technician read off the part's sheet for one figure. */
export interface Confirmed
  extends Pick<SheetFigure, "key" | "path" | "unit" | "value" | "plus" | "minus" | "most" | "printed"> {}

/**
 * Whether a figure was confirmed exactly as it stood.
 * @example isAsShown({ value: 48.5, plus: 1, minus: 1, most: null }, { value: 48.5, plus: 1, minus: 1, most: null })
 * // true
 */
export const isAsShown = (
  shown: SheetFigure,
  confirmed: Pick<Confirmed, "value" | "plus" | "minus" | "most">,
): boolean =>
  (["value", "plus", "minus", "most"] as const).every((field) => shown[field] === confirmed[field]);

/**
 * Of the figures confirmed, each with whether it was passed over as shown or changed.
 * @example asConfirmed(figuresToConfirm(resolved(stub, cord, picked)), []) // []
 */
export const asConfirmed = <T extends Confirmed>(shown: readonly SheetFigure[], confirmed: readonly T[]) =>
  confirmed.map((figure) => {
    const sheetFigure = shown.find(({ key }) => key === figure.key);
    return { ...figure, asShown: sheetFigure !== undefined && isAsShown(sheetFigure, figure) };
  });

interface HeldAgainst {
  readonly revision: number;
  /** The source as one sentence. */
  readonly note: string;
  readonly date: string;
  readonly by: string;
  /** Number of the part's sheet; null where it has none. */
  readonly sheet: string | null;
}

/**
 * A document with figures confirmed or corrected: the next revision, the user's own. Figures not among them
 * stay representative.
 * @example withConfirmed(stubWritten, [], { revision: 2, note: "", date: "2026-11-25", by: "Osla Brandt", sheet: null }).revision
 * // 2
 */
export function withConfirmed(
  document: ProcedureDocument,
  figures: readonly (Confirmed & { readonly asShown: boolean })[],
  { revision, note, date, by, sheet }: HeldAgainst,
): ProcedureDocument {
  const next = structuredClone(document);
  for (const figure of figures) put(next, figure);
  const before = document.source.kind === "own" ? document.confirmed : [];
  const confirmed = before && [...new Set([...before, ...figures.map(({ key }) => key)])];
  const keys = new Set(figures.map(({ key }) => key));
  return {
    ...next,
    revision,
    source: { kind: "own", note, date },
    ...(confirmed ? { confirmed } : {}),
    confirmations: [
      ...(document.confirmations ?? []).filter(({ key }) => !keys.has(key)),
      ...figures.map(({ key, asShown }) => ({ key, by, sheet, date, asShown })),
    ],
  };
}

function put(
  document: ProcedureDocument,
  { path, unit, value, plus, minus, most, printed }: Confirmed,
): void {
  const holder = path.slice(0, -1).reduce<object>((inside, key) => mustBeIn(inside, key), document);
  const last = mustHoldAt(path, path.length - 1);
  const before: unknown = Reflect.get(holder, last);
  const { printed: _, ...rest } = isRecord(before) ? before : {};
  const length = { ...rest, nominal: value, plus, minus };
  const time = { min: value, max: most ?? value };
  Reflect.set(holder, last, unit === "s" ? time : isRecord(before) ? length : value);
  if (printed && path[0] === "dimensions")
    Object.assign(mustHoldAt(document.dimensions, Number(path[1])), { printed });
}

function mustBeIn(holder: object, key: string | number): object {
  const inside: unknown = Reflect.get(holder, key);
  if (typeof inside !== "object" || inside === null) throw new Error(`nothing lies under ${key}`);
  return inside;
}
