"use client";

import { Minus, Plus, Trash2 } from "lucide-react";
import { type Length, type Loop, type PiecePlan, type SideName, STRETCHES, type Stretch } from "@/core";
import { Button } from "../controls/button";
import { FigureField } from "../controls/figure-field";
import { Select } from "../controls/select";
import { metresText, readCount, readMetres, readPerCent, UNSAID } from "./metres";

type Change = (make: (before: PiecePlan) => PiecePlan) => boolean;

const METRES = "Metres, as 212.04, and none below nothing.";

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
    asks="At most 200 letters."
    onTake={onTake}
  />
);

function Metres({
  title,
  value,
  onTake,
}: {
  title: string;
  value: Length;
  onTake: (value: Length) => boolean;
}) {
  return (
    <FigureField
      title={title}
      value={value}
      text={metresText}
      read={readMetres}
      asks={METRES}
      onTake={onTake}
    />
  );
}

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
  readonly usual: string;
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
  const set = (changed: Partial<PiecePlan["sides"]["A"]>) =>
    change((before) => ({
      ...before,
      sides: { ...before.sides, [side]: { ...before.sides[side], ...changed } },
    }));
  return (
    <div className="grid gap-3">
      <Words title="Where it is" value={at.place} onTake={(place) => set({ place })} />
      <Select
        title="Ended by"
        value={at.procedure ?? ""}
        empty="not ended here"
        options={styles}
        onPick={(id) => {
          set({
            procedure: id === "" ? null : id,
            choices: {},
            onto: null,
            ...(id === "" ? {} : { ends: Math.min(Math.max(at.ends, 1), mostOf(id)) }),
          });
        }}
      />
      <Choices choices={style?.choices ?? []} picked={at.choices} onPick={(choices) => set({ choices })} />
      {style && style.onto.length > 0 && (
        <>
          <Select
            title="Then on each it opens onto"
            value={at.onto?.procedure ?? ""}
            empty="nothing more"
            options={style.onto}
            onPick={(id) =>
              set({ onto: id === "" ? null : { procedure: id, choices: {}, retries: at.onto?.retries ?? 0 } })
            }
          />
          <Choices
            choices={style.onto.find(({ id }) => id === at.onto?.procedure)?.choices ?? []}
            picked={at.onto?.choices ?? {}}
            onPick={(choices) => set({ onto: at.onto && { ...at.onto, choices } })}
          />
          {at.onto && (
            <FigureField
              title="Tries to spare of each opened"
              value={at.onto.retries}
              text={String}
              read={(text) => readCount(text, 50)}
              asks="A whole number, at most 50: all opened are left so much longer, side by side."
              onTake={(retries) => set({ onto: at.onto && { ...at.onto, retries } })}
            />
          )}
        </>
      )}
      <div className="grid grid-cols-2 gap-3">
        <FigureField
          title="Ends here"
          value={at.ends}
          text={String}
          read={(text) => readCount(text, most)}
          asks={`A whole number, at most ${most}: so many places this cable has for it.`}
          onTake={(ends) => set({ ends })}
        />
        <FigureField
          title="Tries to spare"
          value={at.retries}
          text={String}
          read={(text) => readCount(text, 50)}
          asks="A whole number, at most 50."
          onTake={(retries) => set({ retries })}
        />
        <Metres title="Entry path, m" value={at.entry} onTake={(entry) => set({ entry })} />
        <Metres title="Cut square, m" value={at.squaring} onTake={(squaring) => set({ squaring })} />
        <Metres title="Pulling grip, m" value={at.grip} onTake={(grip) => set({ grip })} />
        <FigureField
          title="Slack found, m"
          value={at.slack ?? UNSAID}
          text={(slack) => (slack === UNSAID ? "" : metresText(slack))}
          read={(text) => (text.trim() === "" ? UNSAID : readMetres(text))}
          asks={`${METRES} Empty where nobody has looked.`}
          onTake={(slack) => set({ slack: slack === UNSAID ? null : slack })}
        />
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
      {choices.map(({ id, name, usual, options }) => (
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
  readonly stretch: Stretch;
  readonly at: number;
  readonly change: Change;
}

/** A stretch of the route. */
export function StretchEditor({ stretch, at, change }: StretchEditorProps) {
  const set = (changed: Partial<Stretch>) =>
    change((before) => ({
      ...before,
      route: before.route.map((one, i) => (i === at ? { ...one, ...changed } : one)),
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
        title="How it lies"
        value={stretch.kind}
        options={STRETCHES.map((kind) => ({ id: kind, name: kind }))}
        onPick={(id) => {
          const kind = STRETCHES.find((one) => one === id);
          if (kind) set({ kind, sag: kind === "span" ? stretch.sag : null });
        }}
      />
      <Words title="Name" value={stretch.name} onTake={(name) => set({ name })} />
      <div className="grid grid-cols-2 gap-3">
        <Metres title="Length, m" value={stretch.length} onTake={(length) => set({ length })} />
        <FigureField
          title="Allowance, %"
          value={stretch.allowancePct}
          text={String}
          read={readPerCent}
          asks="A percentage from 0 to 100."
          onTake={(allowancePct) => set({ allowancePct })}
        />
        {stretch.kind === "span" && (
          <FigureField
            title="Sag, m"
            value={stretch.sag}
            text={(sag) => (sag === null ? "" : metresText(sag))}
            read={readMetres}
            asks={METRES}
            onTake={(sag) => set({ sag })}
          />
        )}
      </div>
      <Button look="quiet" onClick={drop}>
        <Trash2 aria-hidden="true" className="size-4" /> Take this stretch out
      </Button>
    </div>
  );
}

interface LoopEditorProps {
  readonly plan: PiecePlan;
  readonly loop: Loop;
  readonly at: number;
  readonly change: Change;
}

/** Cable stored in turns. */
export function LoopEditor({ plan, loop, at, change }: LoopEditorProps) {
  const set = (changed: Partial<Loop>) =>
    change((before) => ({
      ...before,
      loops: before.loops.map((one, i) => (i === at ? { ...one, ...changed } : one)),
    }));
  const places = ["side A", ...plan.route.map(({ name, kind }, i) => `${name || kind} (${i + 1})`)];
  return (
    <div className="grid gap-3">
      <div className="flex items-center gap-3">
        <Button
          aria-label="One turn less"
          disabled={loop.turns === 0}
          onClick={() => set({ turns: loop.turns - 1 })}
        >
          <Minus aria-hidden="true" className="size-5" />
        </Button>
        <output aria-label="Turns" className="figures min-w-24 text-center font-bold text-2xl">
          {loop.turns} {loop.turns === 1 ? "turn" : "turns"}
        </output>
        <Button aria-label="One turn more" onClick={() => set({ turns: loop.turns + 1 })}>
          <Plus aria-hidden="true" className="size-5" />
        </Button>
      </div>
      <Words title="Name" value={loop.name} onTake={(name) => set({ name })} />
      <Metres title="Once round, m" value={loop.perimeter} onTake={(perimeter) => set({ perimeter })} />
      <Select
        title="It lies after"
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
        <Trash2 aria-hidden="true" className="size-4" /> Take this loop out
      </Button>
    </div>
  );
}
