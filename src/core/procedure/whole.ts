import type { ErrorCode } from "../problem/codes";
import type { Problem } from "../problem/problem";
import { t } from "../words/core";
import type { Step } from "./step";

interface Parts {
  readonly choices: readonly { id: string; default: string; options: readonly { id: string }[] }[];
  readonly parts: readonly { id: string; neededAt?: string | undefined; trappedBy?: string | undefined }[];
  readonly features: readonly { id: string; kind: string }[];
  readonly dimensions: readonly {
    id: string;
    from: string;
    to: string;
    after: string;
    workFrom?: string | undefined;
  }[];
  readonly steps: readonly Step[];
  readonly retries: readonly { id: string }[];
}

/** Whatever a procedure names that it does not hold, names twice, or uses before it is there. */
export function wordsOutOfPlace(procedure: Parts): Problem[] {
  return [
    ...twice(procedure),
    ...badChoices(procedure),
    ...badParts(procedure),
    ...badNeeds(procedure),
    ...badDimensions(procedure),
    ...procedure.steps.flatMap((step, i) => badStep(procedure, step, i)),
    ...unmade(procedure),
  ];
}

const has = (list: readonly { id: string }[], id: string) => list.some((item) => item.id === id);
const problem = (code: ErrorCode, message: string, path: (string | number)[]): Problem => ({
  code,
  message,
  path,
});

function twice(procedure: Parts): Problem[] {
  return (["choices", "parts", "features", "dimensions", "steps", "retries"] as const).flatMap((list) =>
    procedure[list].flatMap(({ id }, i) =>
      procedure[list].findIndex((item) => item.id === id) < i
        ? [problem("duplicate", t("is-used-twice-in", { id, list }), [list, i, "id"])]
        : [],
    ),
  );
}

function badChoices({ choices }: Parts): Problem[] {
  return choices.flatMap((choice, i) =>
    has(choice.options, choice.default)
      ? []
      : [problem("unknown-option", t("the-default-must-be-one-of-the"), ["choices", i, "default"])],
  );
}

/** Steps that a step needs are steps of the procedure. */
const badNeeds = ({ steps }: Parts): Problem[] =>
  steps.flatMap(({ needs = [] }, i) =>
    needs.flatMap((id, n) =>
      has(steps, id)
        ? []
        : [problem("unknown-step", t("a-needed-step-must-be-a-step"), ["steps", i, "needs", n])],
    ),
  );

function badParts({ parts, steps }: Parts): Problem[] {
  return parts.flatMap((part, i) =>
    (["neededAt", "trappedBy"] as const).flatMap((field) => {
      const step = part[field];
      return step === undefined || has(steps, step)
        ? []
        : [problem("unknown-step", t("a-part-must-name-steps-of-this"), ["parts", i, field])];
    }),
  );
}

function badDimensions({ dimensions, features, steps }: Parts): Problem[] {
  return dimensions.flatMap((dimension, i) => [
    ...(["from", "to", "workFrom"] as const)
      .filter((side) => !has(features, dimension[side] ?? dimension.from))
      .map((side) =>
        problem("unknown-feature", t("a-dimension-must-join-features-of-this"), ["dimensions", i, side]),
      ),
    ...(has(steps, dimension.after)
      ? []
      : [problem("unknown-step", t("after-must-be-a-step-of-this"), ["dimensions", i, "after"])]),
    ...(dimension.from === dimension.to
      ? [problem("same-feature", t("a-dimension-must-join-two-different-features"), ["dimensions", i, "to"])]
      : []),
  ]);
}

function badStep({ features, dimensions, steps, parts, retries }: Parts, step: Step, i: number): Problem[] {
  const problems: Problem[] = [];
  const need = (present: boolean, code: ErrorCode, message: string, field: string) => {
    if (!present) problems.push(problem(code, message, ["steps", i, field]));
  };
  if ("makes" in step) {
    need(
      has(features, step.makes),
      "unknown-feature",
      "A step must make a feature of this procedure",
      "makes",
    );
    const by = dimensions.find((dimension) => dimension.id === step.by);
    if (step.by !== undefined)
      need(
        by !== undefined && (by.from === step.makes || by.to === step.makes),
        "wrong-dimension",
        "A step must work by a dimension that ends at what it makes",
        "by",
      );
    else
      need(
        steps.slice(0, i).some((before) => before.kind === "mark" && before.makes === step.makes),
        "no-mark",
        "A cut without a dimension needs a mark drawn before it",
        "makes",
      );
  }
  if (step.kind === "thread")
    step.parts?.forEach((id) => {
      need(has(parts, id), "unknown-part", `“${id}” is not a part of this procedure`, "parts");
    });
  step.moves.forEach((id) => {
    need(has(features, id), "unknown-feature", "A step must move features of this procedure", "moves");
  });
  if (step.within)
    need(
      steps.slice(i + 1).some(({ id }) => id === step.within?.until),
      "unknown-step",
      "“until” must be a later step of this procedure",
      "within",
    );
  if ("replaces" in step && step.replaces !== undefined)
    need(
      features.some((feature) => feature.id === step.replaces && feature.kind === "end"),
      "unknown-feature",
      "“replaces” must be an end of this procedure",
      "replaces",
    );
  if (step.kind === "remove")
    need(has(features, step.to), "unknown-feature", "“to” must be a feature of this procedure", "to");
  if ("checks" in step)
    step.checks.forEach((id) => {
      need(
        has(dimensions, id),
        "unknown-dimension",
        `“${id}” is not a dimension of this procedure`,
        "checks",
      );
    });
  if ("judgement" in step)
    step.judgement?.answers.forEach((answer) => {
      need(
        answer.goTo === undefined || has(steps, answer.goTo),
        "unknown-step",
        "“goTo” must be a step of this procedure",
        "judgement",
      );
      for (const { rule, goTo } of answer.retries) {
        need(has(retries, rule), "unknown-retry", `“${rule}” is not a retry rule here`, "judgement");
        need(
          has(steps, goTo),
          "unknown-step",
          "A retry's “goTo” must be a step of this procedure",
          "judgement",
        );
      }
    });
  return problems;
}

/** Every feature but the first end must be made by some step. */
function unmade({ features, steps }: Parts): Problem[] {
  const produced = new Set(steps.flatMap((step) => ("makes" in step ? [step.makes] : [])));
  return features.flatMap((feature, i) =>
    i === 0 || feature.kind === "part" || produced.has(feature.id)
      ? []
      : [problem("unmade", t("no-step-makes", { id: feature.id }), ["features", i])],
  );
}
