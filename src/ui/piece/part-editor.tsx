"use client";

import { Minus, Plus, Trash2 } from "lucide-react";
import {
  choicesWith,
  type Length,
  type Loop,
  type PiecePlan,
  type RouteStretch,
  readCount,
  readMetresOrNone,
  readPerCent,
  type SideName,
  STRETCHES,
  UNSAID,
} from "@/core";
import { t } from "@/messages/jobs";
import { Button } from "../controls/button";
import { FigureField } from "../controls/figure-field";
import { Select } from "../controls/select";
import { ASKS_METRES, metresText } from "../plan/metres";

type Change = (make: (before: PiecePlan) => PiecePlan) => boolean;

const named = (text: string): string | null => (text.length <= 200 ? text.trim() : null);

interface WordsProps {
  readonly title: string;
  readonly value: string;
  readonly onTake: (value: string) => boolean;
}

const Words = ({ title, value, onTake }: WordsProps) => (
  <FigureField
    title={title}
    value={value}
    text={String}
    read={named}
    asks={t("at-most-200-letters")}
    onTake={onTake}
  />
);

/** A length of the plan; empty as long as nobody has said it. */
function Metres({
  title,
  value,
  onTake,
}: {
  title: string;
  value: Length | null;
  onTake: (value: Length | null) => boolean;
}) {
  return (
    <FigureField
      title={title}
      value={value ?? UNSAID}
      text={(length) => (length === UNSAID ? "" : metresText(length))}
      read={readMetresOrNone}
      asks={ASKS_METRES}
      onTake={(length) => onTake(length === UNSAID ? null : length)}
    />
  );
}

/** A whole number of the plan; empty as long as nobody has said it. */
function Count({
  title,
  value,
  most,
  asks,
  onTake,
}: {
  title: string;
  value: number | null;
  most: number;
  asks: string;
  onTake: (value: number | null) => boolean;
}) {
  return (
    <FigureField
      title={title}
      value={value ?? NONE}
      text={(count) => (count === NONE ? "" : String(count))}
      read={(text) => (text.trim() === "" ? NONE : readCount(text, most))}
      asks={asks}
      onTake={(count) => onTake(count === NONE ? null : count)}
    />
  );
}

/** A number nobody has said. */
const NONE = -1;

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
  readonly change: Change;
}

/** What is done at one side. */
export function SideEditor({ plan, side, styles, change }: SideEditorProps) {
  const at = plan.sides[side];
  const style = styles.find(({ id }) => id === at.procedure);
  const mostOf = (id: string | null) => styles.find((sideStyle) => sideStyle.id === id)?.most ?? MOST_ENDS;
  const most = mostOf(at.procedure);
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
  const set = (changed: Partial<PiecePlan["sides"]["A"]>) =>
    change((before) => ({
      ...before,
      sides: { ...before.sides, [side]: { ...before.sides[side], ...changed } },
    }));
  return (
    <div className="grid gap-3">
      <Words title={t("where-it-is")} value={at.place} onTake={(place) => set({ place })} />
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
      {style && style.onto.length > 0 && (
        <>
          <Select
            title={t("then-on-each-it-opens-onto")}
            value={at.onto?.procedure ?? ""}
            empty={t("nothing-more")}
            options={style.onto}
            onPick={(id) =>
              set({
                onto:
                  id === ""
                    ? null
                    : {
                        procedure: id,
                        choices: begun(style.onto.find((each) => each.id === id)),
                        retries: at.onto?.retries ?? null,
                      },
              })
            }
          />
          <Choices
            choices={style.onto.find(({ id }) => id === at.onto?.procedure)?.choices ?? []}
            picked={at.onto?.choices ?? {}}
            onPick={(choices) => set({ onto: at.onto && { ...at.onto, choices } })}
          />
          {at.onto && (
            <Count
              title={t("tries-to-spare-of-each-opened")}
              value={at.onto.retries}
              most={50}
              asks={t("enter-a-whole-number-0-to")}
              onTake={(retries) => set({ onto: at.onto && { ...at.onto, retries } })}
            />
          )}
        </>
      )}
      <div className="grid grid-cols-2 gap-3">
        <FigureField
          title={t("ends-here")}
          value={at.ends}
          text={String}
          read={(text) => readCount(text, most)}
          asks={t("a-whole-number-at-most-so", { most })}
          onTake={(ends) => set({ ends })}
        />
        <Count
          title={t("tries-to-spare-2")}
          value={at.retries}
          most={50}
          asks={t("enter-a-whole-number-0-to-2")}
          onTake={(retries) => set({ retries })}
        />
        <Metres title={t("entry-path-m")} value={at.entry} onTake={(entry) => set({ entry })} />
        <Metres title={t("cut-square-m")} value={at.squaring} onTake={(squaring) => set({ squaring })} />
        <Metres title={t("pulling-grip-m")} value={at.grip} onTake={(grip) => set({ grip })} />
        <Metres title={t("leave-as-slack-m")} value={at.leave} onTake={(leave) => set({ leave })} />
        <Metres title={t("slack-found-m")} value={at.slack} onTake={(slack) => set({ slack })} />
      </div>
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

interface StretchEditorProps {
  readonly stretch: RouteStretch;
  readonly at: number;
  readonly change: Change;
}

/** A stretch of the route. */
export function StretchEditor({ stretch, at, change }: StretchEditorProps) {
  const set = (changed: Partial<RouteStretch>) =>
    change((before) => ({
      ...before,
      route: before.route.map((stretch, i) => (i === at ? { ...stretch, ...changed } : stretch)),
    }));
  const drop = () =>
    change((before) => ({
      ...before,
      route: before.route.filter((_, i) => i !== at),
      loops: before.loops.map((loop) => (loop.after > at ? { ...loop, after: loop.after - 1 } : loop)),
    }));
  return (
    <div className="grid gap-3">
      <Select
        title={t("how-it-lies")}
        value={stretch.kind}
        options={STRETCHES.map((kind) => ({ id: kind, name: kind }))}
        onPick={(id) => {
          const kind = STRETCHES.find((stretch) => stretch === id);
          if (kind) set({ kind, sag: kind === "span" ? stretch.sag : null });
        }}
      />
      <Words title={t("name")} value={stretch.name} onTake={(name) => set({ name })} />
      <div className="grid grid-cols-2 gap-3">
        <Metres title={t("length-m")} value={stretch.length} onTake={(length) => set({ length })} />
        <FigureField
          title={t("allowance")}
          value={stretch.allowancePct ?? NONE}
          text={(percent) => (percent === NONE ? "" : String(percent))}
          read={(text) => (text.trim() === "" ? NONE : readPerCent(text))}
          asks={t("enter-a-percentage-from-0-to")}
          onTake={(percent) => set({ allowancePct: percent === NONE ? null : percent })}
        />
        {stretch.kind === "span" && (
          <Metres title={t("sag-m")} value={stretch.sag} onTake={(sag) => set({ sag })} />
        )}
      </div>
      <Button look="quiet" onClick={drop}>
        <Trash2 aria-hidden="true" className="size-4" /> {t("take-this-stretch-out")}
      </Button>
    </div>
  );
}

interface LoopEditorProps {
  /** The least once round that the cable may rest at, micrometres. */
  readonly leastRound: number;
  readonly plan: PiecePlan;
  readonly loop: Loop;
  readonly at: number;
  readonly change: Change;
}

/** Cable stored in turns. */
export function LoopEditor({ leastRound, plan, loop, at, change }: LoopEditorProps) {
  const set = (changed: Partial<Loop>) =>
    change((before) => ({
      ...before,
      loops: before.loops.map((loop, i) => (i === at ? { ...loop, ...changed } : loop)),
    }));
  const places = [t("side-a"), ...plan.route.map(({ name, kind }, i) => `${name || kind} (${i + 1})`)];
  return (
    <div className="grid gap-3">
      <div className="flex items-center gap-3">
        <Button
          aria-label={t("one-turn-less")}
          disabled={!loop.turns}
          onClick={() => set({ turns: (loop.turns ?? 0) - 1 })}
        >
          <Minus aria-hidden="true" className="size-5" />
        </Button>
        <output aria-label={t("turns")} className="figures min-w-24 text-center font-bold text-2xl">
          {loop.turns === null ? "? turns" : `${loop.turns} ${loop.turns === 1 ? "turn" : "turns"}`}
        </output>
        <Button aria-label={t("one-turn-more")} onClick={() => set({ turns: (loop.turns ?? 0) + 1 })}>
          <Plus aria-hidden="true" className="size-5" />
        </Button>
      </div>
      <Words title={t("name")} value={loop.name} onTake={(name) => set({ name })} />
      <Metres title={t("once-round-m")} value={loop.perimeter} onTake={(perimeter) => set({ perimeter })} />
      {loop.perimeter === null && (
        <p className="text-soft text-sm">
          {t("at-least")} <span className="figures">{metresText(leastRound)}</span>{" "}
          {t("m-round-for-this-cable")}
        </p>
      )}
      <Select
        title={t("it-lies-after")}
        value={String(loop.after)}
        options={places.map((name, i) => ({ id: String(i), name }))}
        onPick={(id) => {
          set({ after: Number(id) });
        }}
      />
      <Button
        look="quiet"
        onClick={() => change((before) => ({ ...before, loops: before.loops.filter((_, i) => i !== at) }))}
      >
        <Trash2 aria-hidden="true" className="size-4" /> {t("take-this-loop-out")}
      </Button>
    </div>
  );
}
