import type { Procedure } from "../procedure/procedure";
import { judgementOf } from "../procedure/step";
import { t } from "../words/review";

/** What a document leaves out that the walk needs: the sheet is neither passed nor refused by it. */
interface Undecided {
  readonly code: "no-bore" | "no-place" | "remedy-in-words" | "no-act" | "no-subject" | "no-joint";
  readonly about: "part" | "dimension" | "step";
  readonly id: string;
  readonly message: string;
}

/**
 * What its owner has to say before a sheet can be walked whole: how wide a part's hole is, which way a remedy moves, what a
 * look is about, what the joint needs. Every document of before has some.
 */
export function undecidedOf(procedure: Procedure): Undecided[] {
  return [
    ...bores(procedure),
    ...places(procedure),
    ...words(procedure),
    ...looks(procedure),
    ...joint(procedure),
  ];
}

const bores = ({ parts }: Procedure): Undecided[] =>
  parts
    .filter(({ bore, opens }) => bore === undefined && !opens)
    .map(({ id, name }) => ({
      code: "no-bore",
      about: "part",
      id,
      message: t("enter-the-bore-of-the-or-say", { name }),
    }));

const places = ({ parts }: Procedure): Undecided[] =>
  parts
    .filter(({ neededAt }) => neededAt === undefined)
    .map(({ id, name }) => ({
      code: "no-place",
      about: "part",
      id,
      message: t("say-at-which-step-the-is-brought", { name }),
    }));

const words = ({ dimensions }: Procedure): Undecided[] =>
  dimensions
    .filter(({ ifLong, ifShort }) => [...ifLong, ...ifShort].some((remedy) => "words" in remedy))
    .map(({ id, name }) => ({
      code: "remedy-in-words",
      about: "dimension",
      id,
      message: t("what-is-done-when-it-is-out", { name }),
    }));

function looks({ steps, retries }: Procedure): Undecided[] {
  return steps.flatMap((step): Undecided[] => {
    const judgement = judgementOf(step);
    if (!judgement) return [];
    const at = { about: "step" as const, id: step.id };
    const used = judgement.answers.flatMap(({ retries: tries }) => tries.map(({ rule }) => rule));
    const unsaid = retries.find(({ id, act }) => act === undefined && used.includes(id));
    return [
      ...(step.of === undefined && step.kind !== "bend-test" && needsSubject(steps)
        ? [
            {
              ...at,
              code: "no-subject" as const,
              message: t("step-say-what-this-look-is-about", { step: step.title }),
            },
          ]
        : []),
      ...(unsaid
        ? [
            {
              ...at,
              code: "no-act" as const,
              message: t("step-say-what-does-to-the-end", { step: step.title, unsaid: unsaid.name }),
            },
          ]
        : []),
    ];
  });
}

/** A sheet whose glass is cleaved and goes into a joint. */
const needsSubject = (steps: Procedure["steps"]): boolean =>
  steps.some(({ kind }) => kind === "cleave") && steps.some(({ kind }) => kind === "insert");

const joint = ({ joint, steps }: Procedure): Undecided[] => {
  const insert = steps.find(({ kind }) => kind === "insert");
  const closes = steps.some(({ kind, acts }) => kind === "actuate" || acts?.includes("close"));
  return insert && closes && needsSubject(steps) && joint === undefined
    ? [
        {
          code: "no-joint",
          about: "step",
          id: insert.id,
          message: t("step-say-how-the-joint-comes-how", { insert: insert.title }),
        },
      ]
    : [];
};
