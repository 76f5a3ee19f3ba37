import type { ProcedureDocument } from "../procedure/procedure";
import { figureKey } from "../runsheet/stated";

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a ?? null) === JSON.stringify(b ?? null);

type Dimension = ProcedureDocument["dimensions"][number];
type Step = ProcedureDocument["steps"][number];

const figures = ({ nominal, plus, minus }: Pick<Dimension, "nominal" | "plus" | "minus">) => [
  nominal,
  plus,
  minus,
];

function dimensionKeys(before: Dimension | undefined, after: Dimension): string[] {
  const [old, now] = [before?.cases ?? [], after.cases ?? []];
  return [
    ...(before && same(figures(before), figures(after)) ? [] : [figureKey(after.id, null)]),
    ...now.flatMap((statedCase, i) => {
      const was = old.length === now.length ? old[i] : undefined;
      return was && same(figures(was), figures(statedCase)) ? [] : [figureKey(after.id, i)];
    }),
  ];
}

function stepKeys(before: Step | undefined, after: Step): string[] {
  const [old, now] = [before?.cases ?? [], after.cases ?? []];
  return (["seconds", "setting"] as const).flatMap((field) => [
    ...(same(before?.[field], after[field]) ? [] : [`${field}:${after.id}`]),
    ...now.flatMap((statedCase, i) => {
      const was = old.length === now.length ? old[i] : undefined;
      return same(was?.[field], statedCase[field]) ? [] : [`${field}:${figureKey(after.id, i)}`];
    }),
  ]);
}

/**
 * Keys of the figures a person wrote themselves: those that differ from what they started from. With nothing to
 * start from, all.
 */
export function changedFigures(before: ProcedureDocument | null, after: ProcedureDocument): string[] {
  return [
    ...after.dimensions.flatMap((dimension) =>
      dimensionKeys(
        before?.dimensions.find(({ id }) => id === dimension.id),
        dimension,
      ),
    ),
    ...after.steps.flatMap((step) =>
      stepKeys(
        before?.steps.find(({ id }) => id === step.id),
        step,
      ),
    ),
  ];
}

/**
 * A document edited by a person, as it is kept: its figures are the person's own where they wrote them, and stay
 * representative where they were not touched.
 * @example asOwn(null, stubWritten, { revision: 2, date: "2026-11-25", note: "" }).source.kind // "own"
 */
export function asOwn(
  before: ProcedureDocument | null,
  after: ProcedureDocument,
  { revision, date, note }: { revision: number; date: string; note: string },
): ProcedureDocument {
  const source = { kind: "own" as const, note: note || after.source.note, date };
  if (before === null && after.source.kind === "own") return { ...after, revision, source };
  const changed = changedFigures(before ?? after, after);
  const own = before?.source.kind === "own" ? before : after.source.kind === "own" ? after : null;
  const { confirmed: _, confirmations: written, ...rest } = after;
  const confirmations = before ? before.confirmations : written;
  const still = confirmations?.filter(({ key }) => !changed.includes(key)) ?? [];
  const saved = { ...rest, revision, source, ...(still.length > 0 && { confirmations: still }) };
  if (own && own.confirmed === undefined) return saved;
  return { ...saved, confirmed: [...new Set([...(own?.confirmed ?? []), ...changed])] };
}
