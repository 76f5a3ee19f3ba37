"use client";

import { choicesWith, type PiecePlan, readCount, type SideName } from "@/core";
import { t } from "@/messages/jobs";
import { FigureField } from "../controls/figure-field";
import { Select } from "../controls/select";
import { type ChangePlan, CountField, MetresField, WordsField } from "./plan-fields";

/** A procedure that goes on the piece's cable. */
export interface SideStyle {
  readonly id: string;
  readonly name: string;
  readonly choices: readonly SideChoice[];
  /** Places the cable has for it at a side. */
  readonly most: number;
  /** What goes on each element it opens onto; empty where it opens onto none. */
  readonly onto: readonly Omit<SideStyle, "onto" | "most">[];
}

interface SideChoice {
  readonly id: string;
  readonly name: string;
  readonly default: string;
  /** Whether the other end of the fibre must have the same, or another. */
  readonly across?: "same" | "other" | undefined;
  readonly options: readonly { readonly id: string; readonly name: string }[];
}

/** Ends at a side where nothing says how many places there are. */
const MOST_ENDS = 6_912;

interface SideEditorProps {
  readonly plan: PiecePlan;
  readonly side: SideName;
  readonly styles: readonly SideStyle[];
  readonly change: ChangePlan;
}

/** What is done at one side. */
export function SideEditor({ plan, side, styles, change }: SideEditorProps) {
  const at = plan.sides[side];
  const style = styles.find(({ id }) => id === at.procedure);
  const mostOf = (id: string | null) => styles.find((sideStyle) => sideStyle.id === id)?.most ?? MOST_ENDS;
  const far = plan.sides[side === "A" ? "B" : "A"];
  const farStyle = styles.find(({ id }) => id === far.procedure);
  /** The choices of a style to begin with, so that both ends of a fibre go together. */
  const begun = (picked: Pick<SideStyle, "choices"> | undefined) => {
    const farOnto = farStyle?.onto.find(({ id }) => id === far.onto?.procedure);
    const there = farOnto
      ? { choices: farOnto.choices, picked: far.onto?.choices ?? {} }
      : { choices: farStyle?.choices ?? [], picked: far.choices };
    return choicesWith(picked?.choices ?? [], there);
  };
  const set: SetSide = (changed) =>
    change((before) => ({
      ...before,
      sides: { ...before.sides, [side]: { ...before.sides[side], ...changed } },
    }));
  return (
    <div className="grid gap-3">
      <WordsField title={t("where-it-is")} value={at.place} onTake={(place) => set({ place })} />
      <Select
        title={t("ended-by")}
        value={at.procedure ?? ""}
        empty={t("not-ended-here")}
        options={styles}
        onPick={(id) => {
          set({
            procedure: id === "" ? null : id,
            choices: begun(styles.find((sideStyle) => sideStyle.id === id)),
            onto: null,
            ...(id === "" ? {} : { ends: Math.min(Math.max(at.ends, 1), mostOf(id)) }),
          });
        }}
      />
      <Choices choices={style?.choices ?? []} picked={at.choices} onPick={(choices) => set({ choices })} />
      <OntoFields at={at} onto={style?.onto ?? []} begun={begun} set={set} />
      <SideFigures at={at} most={mostOf(at.procedure)} set={set} />
    </div>
  );
}

type PlannedSide = PiecePlan["sides"]["A"];
type SetSide = (changed: Partial<PlannedSide>) => boolean;

interface OntoFieldsProps {
  readonly at: PlannedSide;
  readonly onto: SideStyle["onto"];
  readonly begun: (picked: Pick<SideStyle, "choices"> | undefined) => Record<string, string>;
  readonly set: SetSide;
}

/** What goes on each element the side's procedure opens onto. */
function OntoFields({ at, onto, begun, set }: OntoFieldsProps) {
  if (onto.length === 0) return null;
  return (
    <>
      <Select
        title={t("then-on-each-it-opens-onto")}
        value={at.onto?.procedure ?? ""}
        empty={t("nothing-more")}
        options={onto}
        onPick={(id) =>
          set({
            onto:
              id === ""
                ? null
                : {
                    procedure: id,
                    choices: begun(onto.find((each) => each.id === id)),
                    retries: at.onto?.retries ?? null,
                  },
          })
        }
      />
      <Choices
        choices={onto.find(({ id }) => id === at.onto?.procedure)?.choices ?? []}
        picked={at.onto?.choices ?? {}}
        onPick={(choices) => set({ onto: at.onto && { ...at.onto, choices } })}
      />
      {at.onto && (
        <CountField
          title={t("tries-to-spare-of-each-opened")}
          value={at.onto.retries}
          most={50}
          asks={t("enter-a-whole-number-0-to")}
          onTake={(retries) => set({ onto: at.onto && { ...at.onto, retries } })}
        />
      )}
    </>
  );
}

interface SideFiguresProps {
  readonly at: PlannedSide;
  /** The most ends there can be. */
  readonly most: number;
  readonly set: SetSide;
}

/** How many ends and tries, and the lengths of cable that lie at the side. */
function SideFigures({ at, most, set }: SideFiguresProps) {
  return (
    <div className="grid grid-cols-2 gap-3">
      <FigureField
        title={t("ends-here")}
        value={at.ends}
        text={String}
        read={(text) => readCount(text, most)}
        asks={t("a-whole-number-at-most-so", { most })}
        onTake={(ends) => set({ ends })}
      />
      <CountField
        title={t("tries-to-spare-2")}
        value={at.retries}
        most={50}
        asks={t("enter-a-whole-number-0-to-2")}
        onTake={(retries) => set({ retries })}
      />
      <MetresField title={t("entry-path-m")} value={at.entry} onTake={(entry) => set({ entry })} />
      <MetresField title={t("cut-square-m")} value={at.squaring} onTake={(squaring) => set({ squaring })} />
      <MetresField title={t("pulling-grip-m")} value={at.grip} onTake={(grip) => set({ grip })} />
      <MetresField title={t("leave-as-slack-m")} value={at.leave} onTake={(leave) => set({ leave })} />
      <MetresField title={t("slack-found-m")} value={at.slack} onTake={(slack) => set({ slack })} />
    </div>
  );
}

interface ChoicesProps {
  readonly choices: readonly SideChoice[];
  readonly picked: Readonly<Record<string, string>>;
  readonly onPick: (picked: Record<string, string>) => void;
}

/** What is picked of a style at a side. */
export const Choices = ({ choices, picked, onPick }: ChoicesProps) =>
  choices.length === 0 ? null : (
    <div className="grid grid-cols-2 gap-3">
      {choices.map(({ id, name, default: usual, options }) => (
        <Select
          key={id}
          title={name}
          value={picked[id] ?? usual}
          options={options}
          onPick={(option) => onPick({ ...picked, [id]: option })}
        />
      ))}
    </div>
  );
