"use client";

import { toast } from "sonner";
import { v4 as uuid } from "uuid";
import { z } from "zod";
import { type EndEvent, type EndState, type Line, zAddMany } from "@/core";
import { t } from "@/messages/batch";
import { call } from "../http/http";
import type { Member } from "./news";

interface AddToAll {
  readonly id: string;
  readonly members: readonly Member[];
  readonly states: readonly EndState[];
  /** The end in hand, by its place. */
  readonly current: number | null;
  readonly by: string | null;
  readonly learn: (news: readonly Member[]) => void;
}

/** Adds events to several ends of a batch at once: to all of them or to none. */
export function useAddToAll({ id, members, states, current, by, learn }: AddToAll) {
  type Ends = z.output<typeof zAddMany>["ends"];
  const send = async (ends: Ends, failed: (message: string) => string): Promise<boolean> => {
    if (ends.length === 0) return true;
    const body = { by, ...z.encode(zAddMany, { client: uuid(), ends }) };
    const answer = await call("post /batches/{id}", { params: { id }, body });
    if (answer.ok) learn(answer.value.ends);
    else toast.error(failed(answer.problem.message));
    return answer.ok;
  };
  /** Names every end not signed off yet. @returns whether they were named. */
  const nameAll = (job: string, names: readonly string[]): Promise<boolean> => {
    const ends = members.flatMap(({ id: end }, i) => {
      const state = states[i];
      const label = names[i];
      if (!state || state.signed || label === undefined) return [];
      const event = { kind: "label" as const, job, label };
      return [{ end, after: state.lastSeq, events: [{ id: uuid(), event }] }];
    });
    return send(ends, (message) => t("no-end-was-named", { message }));
  };
  /** Does the same on every other end that stands at a line. @returns whether it was done. */
  const onOthers = (line: Line, eventsOf: (state: EndState) => readonly EndEvent[]): Promise<boolean> => {
    const ends = members.flatMap(({ id: end }, i) => {
      const state = states[i];
      if (i === current || !state || state.signed || state.inHand || state.at !== line.index) return [];
      const events = eventsOf(state).map((event) => ({ id: uuid(), event }));
      return events.length > 0 ? [{ end, after: state.lastSeq, events }] : [];
    });
    return send(ends, (message) => t("nothing-was-changed-on-the-others", { message }));
  };
  return { nameAll, onOthers };
}
