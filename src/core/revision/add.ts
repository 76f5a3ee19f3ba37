import type { Length } from "../length/length";
import type { ProcedureDocument } from "../procedure/procedure";
import { type DraftKit, named } from "./kit";

type Step = ProcedureDocument["steps"][number];
type Layer = ProcedureDocument["startsAt"];

/** A length to be put into a procedure: where it is laid off from, and what lies at its end. */
export interface NewLength {
  readonly name: string;
  /** A feature that is there already. */
  readonly from: string;
  readonly nominal: Length;
  readonly plus: Length | null;
  readonly minus: Length | null;
  /** A mark that is drawn, or the layer that is taken off back to it. */
  readonly makes: "mark" | Layer;
  readonly tool: string;
}

/** A look to be put into a procedure: what is asked, what is seen when all is well and when it is not. */
export interface NewLook {
  readonly title: string;
  readonly asks: string;
  readonly good: string;
  readonly bad: string;
  /** What a bad answer means, and the step it sends back to; empty for none. */
  readonly means: string;
  readonly goTo: string;
}

const slug = (text: string): string =>
  text
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, "-")
    .replaceAll(/^-+|-+$/g, "")
    .slice(0, 50) || "new";

function free(wanted: string, taken: readonly string[]): string {
  let [one, n] = [wanted, 2];
  while (taken.includes(one)) one = `${wanted}-${n++}`;
  return one;
}

/** Before which step something new goes: the first that needs glass bare and clean, else the measuring. */
function beforeGlass(steps: readonly Step[]): number {
  const at = steps.findIndex(
    ({ kind, ...step }) =>
      kind === "clean" ||
      kind === "cleave" ||
      kind === "measure" ||
      ("layers" in step && step.layers.some((layer) => layer === "coating")),
  );
  return at < 0 ? steps.length : at;
}

const putIn = <T>(list: readonly T[], at: number, ...more: T[]): T[] => [
  ...list.slice(0, at),
  ...more,
  ...list.slice(at),
];

/**
 * A procedure with one length more: its feature, its dimension, the steps that draw it and take off to it, and its
 * reading where lengths are measured. Steps go in before the glass is bared; they can be moved from there.
 */
export function withLength(document: ProcedureDocument, added: NewLength, kit: DraftKit): ProcedureDocument {
  const { name, from, nominal, plus, minus, makes, tool } = added;
  const { features, dimensions, steps } = document;
  const dimension = free(
    slug(name),
    dimensions.map(({ id }) => id),
  );
  const feature = free(
    `${dimension}-at`,
    features.map(({ id }) => id),
  );
  const ids = steps.map(({ id }) => id);
  const mark: Step = {
    id: free(`mark-${dimension}`, ids),
    kind: "mark",
    ...named(kit.mark, name),
    makes: feature,
    by: dimension,
    tool: kit.tools.mark,
  };
  const off: Step[] =
    makes === "mark"
      ? []
      : [
          {
            id: free(`make-${dimension}`, ids),
            kind: "remove",
            ...named(makes === "coating" ? kit.bare : kit.take, name),
            layers: [makes],
            to: feature,
            tool,
          },
        ];
  const measured = (at: number): Step[] =>
    putIn(steps, at, mark, ...off).map((step) =>
      step.kind === "measure" && step === steps.find(({ kind }) => kind === "measure")
        ? { ...step, checks: [...(step.checks ?? []), dimension] }
        : step,
    );
  return {
    ...document,
    features: [
      ...features,
      {
        id: feature,
        name: makes === "mark" || /edge/i.test(name) ? name : `${name} edge`,
        kind: makes === "mark" ? "mark" : "edge",
        ends: makes === "mark" ? [] : [makes],
      },
    ],
    dimensions: [
      ...dimensions,
      {
        id: dimension,
        name,
        from,
        to: feature,
        nominal: nominal / 1000,
        plus: plus === null ? null : plus / 1000,
        minus: minus === null ? null : minus / 1000,
        after: mark.id,
      },
    ],
    steps: measured(beforeGlass(steps)),
  };
}

/** A procedure with one look more, with its good and its bad answer, put in after a step. */
export function withLook(document: ProcedureDocument, after: string, look: NewLook): ProcedureDocument {
  const { steps } = document;
  const ids = steps.map(({ id }) => id);
  const id = free(slug(look.title), ids);
  const step: Step = {
    id,
    kind: "inspect",
    title: look.title,
    judgement: {
      id,
      asks: look.asks,
      answers: [
        { id: "good", sees: look.good, good: true },
        {
          id: "bad",
          sees: look.bad,
          good: false,
          means: look.means,
          ...(look.goTo ? { goTo: look.goTo } : {}),
        },
      ],
    },
  };
  const at = ids.indexOf(after) + 1;
  return { ...document, steps: putIn(steps, at > 0 ? at : steps.length, step) };
}
