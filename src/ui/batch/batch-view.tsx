"use client";

import {
  type BladeLine,
  type Caution,
  type EndEvent,
  type EndState,
  type Instrument,
  type Purpose,
  type Rule,
  type RunSheet,
  readyAt,
  type WhereTold,
} from "@/core";

import { BenchView } from "../bench/bench-view";
import { FootMessages } from "../messages/page-messages";
import { useKept, yesOrNo } from "../words/use-kept";
import { BatchAside } from "./batch-aside";
import { BatchPlan } from "./batch-plan";
import { type Member, useBatch } from "./use-batch";

interface BatchViewProps {
  readonly id: string;
  readonly name: string;
  readonly sheet: RunSheet;
  readonly rule: Rule;
  readonly purpose: Purpose;
  readonly ends: readonly Member[];
  readonly instruments: readonly Instrument[];
  readonly cautions: readonly Caution[];
  readonly blades: readonly BladeLine[];
  /** Where each end is made, by its id. */
  readonly wheres: Readonly<Record<string, WhereTold | null>>;
  /** The end a timer or a link asked for. */
  readonly openedFor: string | null;
}

/** Many ends of one style: the plan, then the bench with the next end put into the hand after every step. */
export function BatchView(props: BatchViewProps) {
  const { id, sheet, rule, purpose, ends, instruments, cautions, blades, openedFor: question } = props;
  const batch = useBatch(id, sheet, ends, question);
  const { members, current, setCurrent } = batch;
  const askedAt = members.findIndex((member) => member.id === question);
  const [begun, setBegun] = useKept<boolean>(`begun/${id}/${question ?? ""}`, askedAt >= 0, yesOrNo);
  const place = current ?? Math.max(0, askedAt);
  const member = members[place];
  const begin = (at: number) => {
    setCurrent(at);
    setBegun(true);
  };
  if (!begun || !member)
    return (
      <>
        <BatchPlan name={props.name} sheet={sheet} batch={batch} wheres={props.wheres} onBegin={begin} />
        <FootMessages />
      </>
    );
  const afterStep = (events: readonly EndEvent[], before: EndState) => {
    const after = batch.left(events, before);
    const next = batch.next(place, { at: after.at, readyAt: readyAt(after) });
    if (next !== null) setCurrent(next);
  };
  return (
    <BenchView
      key={member.id}
      id={member.id}
      sheet={sheet}
      rule={rule}
      purpose={purpose}
      initial={batch.eventsOf(member.id)}
      instruments={instruments}
      cautions={cautions}
      blades={blades}
      where={props.wheres[member.id] ?? null}
      batch={{
        aside: (work) => (
          <BatchAside batch={batch} place={place} work={work} onPlan={() => setBegun(false)} />
        ),
        onPlan: () => setBegun(false),
        ends: (own) => batch.states.map((state, i) => (i === place ? own : state)),
        onDone: afterStep,
        onState: batch.note,
        onSigned: () => {
          const next = batch.next(place, { done: true });
          if (next === null) setBegun(false);
          else setCurrent(next);
        },
      }}
    />
  );
}
