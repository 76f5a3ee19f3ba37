import { type Length, um } from "../length/length";
import { attempt } from "../problem/attempt";
import { asWritten } from "../problem/check";
import { type Outcome, ok, refuse } from "../problem/problem";
import { type ProcedureDocument, zProcedure } from "../procedure/procedure";
import { say } from "../words/core";
import {
  assembled,
  cleaveStep,
  dimensionOf,
  featureOfLength,
  isFromGoneEnd,
  markStep,
  stripStep,
} from "./assemble";
import type { DraftKit } from "./kit";
import { END, featureIdOf, type PlannedLength, slug, usualTool } from "./planned-length";

type Step = ProcedureDocument["steps"][number];

/** A length to be put into a procedure. */
export interface NewLength extends Omit<PlannedLength, "id" | "from"> {
  /** Id of the feature it is laid off from, which is there already. */
  readonly from: string;
}

/** A look to be put into a procedure: what is asked, what is seen when all is well and when it is not. */
interface NewLook {
  readonly title: string;
  readonly asks: string;
  readonly good: string;
  readonly bad: string;
  /** What a bad answer means, and the step it sends back to; empty for none. */
  readonly means: string;
  readonly goTo: string;
}

function free(wanted: string, taken: readonly string[]): string {
  let [id, n] = [wanted, 2];
  while (taken.includes(id)) id = `${wanted}-${n++}`;
  return id;
}

const putIn = <T>(list: readonly T[], at: number, ...more: T[]): T[] => [
  ...list.slice(0, at),
  ...more,
  ...list.slice(at),
];

/**
 * The lengths a procedure was assembled from, where it says nothing else; null where somebody has changed its steps since.
 * @returns what `assembled` gives the same procedure for.
 */
export function plannedIn(document: ProcedureDocument, kit: DraftKit): PlannedLength[] | null {
  const lengths = document.dimensions.flatMap((dimension) => plannedOf(document, dimension, kit) ?? []);
  const again = { ...document, ...formOf(assembled(lengths, { ...document, date: "" }, kit)) };
  return lengths.length === document.dimensions.length && isSame(again, document) ? lengths : null;
}

const formOf = ({ features, dimensions, steps, parts, retries, squareUp }: ProcedureDocument) => ({
  features,
  dimensions,
  steps,
  parts,
  retries,
  squareUp,
});

/** Whether two documents say the same, whatever they leave to the defaults. */
function isSame(a: ProcedureDocument, b: ProcedureDocument): boolean {
  const [first, other] = [a, b].map(
    (document) => attempt(() => JSON.stringify(asWritten(zProcedure, document))).value,
  );
  return first !== null && first === other;
}

function plannedOf(
  { steps, dimensions }: ProcedureDocument,
  dimension: ProcedureDocument["dimensions"][number],
  kit: DraftKit,
): PlannedLength | null {
  const { id, name, plus, minus } = dimension;
  const maker = steps.find((step) => "by" in step && step.by === id);
  if (maker?.kind !== "mark" && maker?.kind !== "cleave") return null;
  const side = dimension.from === maker.makes ? "front" : "behind";
  const datum = side === "front" ? dimension.to : dimension.from;
  const cleave = steps.find((step) => step.kind === "cleave" && step.makes === datum);
  const from = dimensions.find((other) => datum === `${other.id}-at`)?.id;
  const off = steps.find((step) => step.kind === "remove" && step.to === maker.makes);
  const strip = off?.kind === "remove" ? off : undefined;
  const makes = maker.kind === "cleave" ? "cleave" : (strip?.layers[0] ?? "mark");
  return {
    id,
    name,
    from: from ?? (cleave?.kind === "cleave" ? cleave.by : undefined) ?? END,
    side,
    nominal: inMicrometres(dimension.nominal),
    plus: plus === null ? null : inMicrometres(plus),
    minus: minus === null ? null : inMicrometres(minus),
    makes,
    tool: strip?.tool === undefined || strip.tool === usualTool(makes, kit) ? null : strip.tool,
  };
}

const inMicrometres = (mm: number): Length => um(Math.round(mm * 1000));

/** How many things are wrong with a document as it stands. */
type Faults = (document: ProcedureDocument) => number;

/**
 * A procedure with one length more: its feature, its dimension, the steps that draw, strip or cleave to it, and its reading.
 * While a procedure is nothing but its lengths, its steps are put in order again, as from a list; else the new steps go
 * where the fewest things are wrong, nearest to before the glass is bared.
 * @param faults what is wrong with a document on the cables it goes on.
 * @returns refused: `duplicate` for a second cleave.
 * @example withLength(stubWritten, { name: "second mark", from: stubWritten.features[0].id, side: "behind", makes: "mark", nominal: 60, plus: 1, minus: 1 }, kit, () => 0).ok
 * // true
 */
export function withLength(
  document: ProcedureDocument,
  added: NewLength,
  kit: DraftKit,
  faults: Faults,
): Outcome<ProcedureDocument> {
  if (added.makes === "cleave" && document.steps.some(({ kind }) => kind === "cleave"))
    return refuse("duplicate", say("there-is-a-cleave-already-and-an"));
  const id = free(
    slug(added.name),
    document.dimensions.map((dimension) => dimension.id),
  );
  const planned = plannedIn(document, kit);
  if (!planned) return ok(insertedWhereItWorks(document, { ...added, id }, kit, faults));
  const datum = planned.find((length) => featureIdOf(length) === added.from);
  const lengths = [...planned, { ...added, id, from: datum?.id ?? END, tool: ownTool(added, kit) }];
  return ok({ ...document, ...formOf(assembled(lengths, { ...document, date: "" }, kit)) });
}

const ownTool = ({ tool, makes }: NewLength, kit: DraftKit): string | null =>
  tool === usualTool(makes, kit) || makes === "mark" || makes === "cleave" ? null : tool;

/** Before which step something new goes: the first that needs glass bare and clean, else the measuring. */
function beforeGlass(steps: readonly Step[]): number {
  const at = steps.findIndex(
    (step) =>
      step.kind === "clean" ||
      step.kind === "cleave" ||
      step.kind === "measure" ||
      (step.kind === "remove" && step.layers.includes("coating")),
  );
  return at < 0 ? steps.length : at;
}

function insertedWhereItWorks(
  document: ProcedureDocument,
  added: NewLength & { readonly id: string },
  kit: DraftKit,
  faults: Faults,
): ProcedureDocument {
  const wanted = beforeGlass(document.steps);
  const tried = Array.from({ length: document.steps.length + 1 }, (_, at) => {
    const next = inserted(document, added, at, kit);
    return { next, faults: faults(next), far: Math.abs(at - wanted) };
  });
  return tried.reduce((best, candidate) =>
    candidate.faults < best.faults || (candidate.faults === best.faults && candidate.far < best.far)
      ? candidate
      : best,
  ).next;
}

/** A procedure with a length's own steps put in at a place of its order of work. */
function inserted(
  document: ProcedureDocument,
  added: NewLength & { readonly id: string },
  at: number,
  kit: DraftKit,
): ProcedureDocument {
  const { features, dimensions, steps } = document;
  const root = features[0]?.id ?? END;
  const all = [
    added,
    ...steps.flatMap((step) => (step.kind === "remove" ? step.layers.map((makes) => ({ makes })) : [])),
  ];
  const feature = free(
    featureIdOf(added),
    features.map(({ id }) => id),
  );
  const dimension = dimensionOf(added, added.from, feature);
  const own =
    added.makes === "cleave"
      ? [cleaveStep(added, root, kit, feature)]
      : [
          markStep(added, kit, feature),
          ...(added.makes === "mark" ? [] : [stripStep(added, all, kit, feature)]),
        ];
  const next = putIn(steps, at, ...own);
  const isRead = !isFromGoneEnd({ makes: added.makes, from: added.from === root ? END : added.from });
  return {
    ...document,
    features: [...features, { ...featureOfLength(added, all), id: feature }],
    dimensions: [...dimensions, dimension],
    steps: isRead ? measured(next, dimension, at + own.length, kit) : next,
  };
}

/** Steps in which a length is read: at the next measuring while both its ends are there, else at one of its own. */
function measured(
  steps: readonly Step[],
  { id, name, from, to }: ProcedureDocument["dimensions"][number],
  after: number,
  kit: DraftKit,
): Step[] {
  const gone = steps.findIndex(
    (step) => "replaces" in step && step.replaces !== undefined && [from, to].includes(step.replaces),
  );
  const at = steps.findIndex(({ kind }, i) => kind === "measure" && i >= after && (gone < after || i < gone));
  if (at < 0)
    return putIn(steps, after, {
      id: free(
        `measure-${id}`,
        steps.map((step) => step.id),
      ),
      kind: "measure",
      ...kit.measure,
      title: `${kit.measure.title}: ${name}`,
      checks: [id],
    });
  return steps.map((step, i) =>
    i === at && step.kind === "measure" ? { ...step, checks: [...step.checks, id] } : step,
  );
}

/**
 * A procedure with one look more, with its good and its bad answer, put in after a step.
 * @example withLook(stubWritten, stubWritten.steps[0].id, { title: "Look", asks: "Is it clean?", good: "clean", bad: "dirty", means: "wipe it", goTo: "" }).steps.length - stubWritten.steps.length
 * // 1
 */
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
