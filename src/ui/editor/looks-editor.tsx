"use client";

import { type ProcedureDocument, RETRY_ACTS, STEP_ACTS, SUBJECTS } from "@/core";
import { t } from "@/messages/editor";
import { Button } from "../controls/button";
import { Select } from "../controls/select";
import { optionsOf, RETRY_NAMES, STEP_ACT_NAMES, SUBJECT_NAMES } from "./bench-words";
import { Several } from "./several";

type Step = ProcedureDocument["steps"][number];
type Joint = NonNullable<ProcedureDocument["joint"]>;
type Retries = ProcedureDocument["retries"];

interface LooksEditorProps {
  readonly document: ProcedureDocument;
  readonly onChange: (field: string, changes: Partial<ProcedureDocument>) => void;
}

const SUBJECT_OPTIONS = optionsOf(SUBJECTS, SUBJECT_NAMES);
const RETRY_OPTIONS = optionsOf(RETRY_ACTS, RETRY_NAMES);
const SUPPLIED = [
  { id: "open", name: "open" },
  { id: "closed", name: t("closed-it-is-opened-first") },
];
const DUE = [
  ["before", t("looked-at-before-the-fibre-goes")],
  ["seat", t("looked-at-once-it-is-in")],
  ["closed", t("looked-at-once-it-is-closed")],
] as const;

/** What each look is about, what each try does to the end, what a step does to joint and holder, and what the joint needs. */
export function LooksEditor({ document, onChange }: LooksEditorProps) {
  const { steps, retries, joint } = document;
  const putStep = (id: string, field: string, changes: Partial<Step>) =>
    onChange(`steps/${id}/${field}`, {
      steps: steps.map((step) => (step.id === id ? Object.assign({}, step, changes) : step)),
    });
  const putRetry = (at: number, act: string) =>
    onChange(`retries/${at}`, {
      retries: rulesOf(retries).map((rule, n) =>
        n === at ? { ...rule, act: RETRY_ACTS.find((existing) => existing === act) } : rule,
      ),
    });
  return (
    <div className="grid gap-5">
      <section className="grid gap-2">
        <h3 className="font-semibold">{t("what-each-look-is-about")}</h3>
        <ul className="grid gap-2 md:grid-cols-2 xl:grid-cols-3">
          {steps.map((step, i) =>
            asks(step) ? (
              <li key={step.id}>
                <Select
                  title={`${i + 1} ${step.title}`}
                  small
                  value={step.of ?? ""}
                  empty={t("not-said")}
                  options={SUBJECT_OPTIONS}
                  onPick={(of) => putStep(step.id, "of", { of: SUBJECTS.find((subject) => subject === of) })}
                />
              </li>
            ) : null,
          )}
        </ul>
      </section>
      <section className="grid gap-2">
        <h3 className="font-semibold">{t("what-each-way-to-try-again")}</h3>
        <ul className="grid gap-2 md:grid-cols-2 xl:grid-cols-3">
          {rulesOf(retries).map((rule, at) => (
            <li key={rule.id}>
              <Select
                title={rule.name}
                small
                value={rule.act ?? ""}
                empty={t("not-said")}
                options={RETRY_OPTIONS}
                onPick={(act) => putRetry(at, act)}
              />
            </li>
          ))}
        </ul>
      </section>
      <StepActs steps={steps} putStep={putStep} />
      <StepNeeds steps={steps} putStep={putStep} />
      <section className="grid gap-2">
        <h3 className="font-semibold">{t("the-joint")}</h3>
        {joint ? (
          <JointEditor joint={joint} onChange={(next) => onChange("joint", { joint: next })} />
        ) : (
          <p>
            <Button onClick={() => onChange("joint", { joint: { supplied: "open", reopens: 0 } })}>
              {t("a-cleaved-fibre-goes-into-a")}
            </Button>
          </p>
        )}
      </section>
    </div>
  );
}

interface StepListProps {
  readonly steps: readonly Step[];
  readonly putStep: (id: string, field: string, changes: Partial<Step>) => void;
}

/** What each step that works a joint or a holder does to it. */
function StepActs({ steps, putStep }: StepListProps) {
  return (
    <section className="grid gap-2">
      <h3 className="font-semibold">{t("what-a-step-does-to-joint")}</h3>
      <ul className="divide-y divide-line border-line border-y">
        {steps.map((step, i) =>
          WORKS.includes(step.kind) ? (
            <li key={step.id} className="py-2">
              <Several
                title={`${i + 1} ${step.title}`}
                adds={t("nothing-more")}
                ids={STEP_ACTS}
                names={STEP_ACT_NAMES}
                picked={step.acts ?? []}
                onChange={(acts) => putStep(step.id, "acts", { acts })}
              />
            </li>
          ) : null,
        )}
      </ul>
    </section>
  );
}

/** Which steps must be done before each step. */
function StepNeeds({ steps, putStep }: StepListProps) {
  // A step that was taken out is still named where another needs it.
  const titles = Object.fromEntries([
    ...steps.flatMap(({ needs }) => (needs ?? []).map((id) => [id, t("taken-out", { id })])),
    ...steps.map(({ id, title }) => [id, title]),
  ]);
  return (
    <section className="grid gap-2">
      <h3 className="font-semibold">{t("what-must-be-done-before-a")}</h3>
      <ul className="divide-y divide-line border-line border-y">
        {steps.map((step, i) => (
          <li key={step.id} className="py-2">
            <Several
              title={`${i + 1} ${step.title}`}
              adds={t("nothing-more")}
              ids={orderable(steps, step)}
              names={titles}
              picked={step.needs ?? []}
              onChange={(needs) => putStep(step.id, "needs", { needs: needs.length > 0 ? needs : undefined })}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}

interface JointEditorProps {
  readonly joint: Joint;
  readonly onChange: (joint: Joint | undefined) => void;
}

function JointEditor({ joint, onChange }: JointEditorProps) {
  const put = (which: (typeof DUE)[number][0], list: NonNullable<Joint["seat"]>) =>
    onChange({ ...joint, [which]: list });
  return (
    <div className="grid gap-3">
      <div className="grid items-end gap-2 md:grid-cols-[18rem_18rem_auto]">
        <Select
          title={t("as-it-comes-it-stands")}
          small
          value={joint.supplied}
          options={SUPPLIED}
          onPick={(supplied) => onChange({ ...joint, supplied: supplied === "closed" ? "closed" : "open" })}
        />
        <Select
          title={t("closed-it-opens-again")}
          small
          value={String(joint.reopens)}
          options={REOPENS}
          onPick={(times) => onChange({ ...joint, reopens: Number(times) })}
        />
        <span>
          <Button look="quiet" onClick={() => onChange(undefined)}>
            {t("there-is-no-joint")}
          </Button>
        </span>
      </div>
      {DUE.map(([which, title]) => {
        const due = joint[which] ?? [];
        return (
          <Several
            key={which}
            title={title}
            adds={t("nothing-more")}
            ids={SUBJECTS}
            names={SUBJECT_NAMES}
            picked={due.map(({ of }) => of)}
            onChange={(picked) =>
              put(
                which,
                picked.map((of) => due.find((look) => look.of === of) ?? { of }),
              )
            }
          />
        );
      })}
    </div>
  );
}

const REOPENS = [
  { id: "0", name: "never" },
  { id: "1", name: "once" },
  ...[2, 3, 4, 5, 10, 20].map((times) => ({ id: String(times), name: `${times} times` })),
];

/** Kinds of step that can work a joint, a holder or what is laid back. */
const WORKS: readonly string[] = ["load", "insert", "actuate", "crimp", "dress", "fold", "seal"];

/** Steps that can be asked for before one: all others. */
const orderable = (steps: readonly Step[], { id }: Step): string[] =>
  steps.map((step) => step.id).filter((other) => other !== id);

const asks = (step: Step): boolean => "judgement" in step && step.judgement !== undefined;

/** The rules as a list; an older document's one rule in words is changed under “As text”. */
const rulesOf = (retries: Retries): Exclude<Retries, { most: number; rule: string }> =>
  Array.isArray(retries) ? retries : [];
