"use client";

import { useCallback, useEffect, useState } from "react";
import { toast } from "sonner";
import {
  type EndEvent,
  type EndState,
  isMidRun,
  type Line,
  leavingEvents,
  missingParts,
  missingText,
  nextLine,
  type RunSheet,
  type StepBlocker,
  stepBlocker,
} from "@/core";
import { t } from "@/messages/bench";
import { useTimers } from "../timers/timers-context";
import { heldWords } from "../words/held-words";

/** What the step still asks for, in words. */
interface StepHold extends Pick<StepBlocker, "usual"> {
  readonly message: string;
}

/** Identifies the message about a part not threaded on: one at a time, dismissed once the part is on. */
const GATE = "gate";

interface Moving {
  readonly sheet: RunSheet;
  readonly state: EndState;
  /** Whether the end must be trimmed first. */
  readonly trim: boolean;
  readonly add: (event: EndEvent) => void;
}

/** Moves to a step, unless a part is missing or the end must be trimmed first. @returns whether it moved. */
export function useGoTo({ sheet, state, trim, add, clear }: Moving & { readonly clear: () => void }) {
  useEffect(() => {
    if (missingParts(sheet, state).length === 0) toast.dismiss(GATE);
  }, [sheet, state]);
  return useCallback(
    (to: number) => {
      const missing = to > state.at ? missingParts(sheet, state, to) : [];
      if (missing.length > 0) {
        toast(missingText(missing), { id: GATE });
        return false;
      }
      toast.dismiss(GATE);
      if (trim && to !== state.at) {
        toast(t("trim-the-end-first"), { id: GATE });
        return false;
      }
      clear();
      if (to !== state.at) add({ kind: "step", to });
      return true;
    },
    [add, sheet, state, trim, clear],
  );
}

/**
 * What the step still asks for, shown at the first press; a second press passes it by.
 * @param at the step and what it asks for: a hold shown for another is dropped.
 */
export function useHold(at: string) {
  const [hold, setHold] = useState<(StepHold & { readonly at: string }) | null>(null);
  return {
    held: hold?.at === at ? hold : null,
    hold: (next: StepHold) => setHold({ ...next, at }),
    letGo: () => setHold(null),
  };
}

interface Next extends Moving {
  readonly line: Line;
  readonly last: boolean;
  readonly undone: Parameters<typeof stepBlocker>[0]["undone"];
  readonly count: number;
  readonly held: StepHold | null;
  readonly hold: (next: StepHold) => void;
  readonly go: (to: number) => boolean;
  readonly onDone: ((events: readonly EndEvent[], before: EndState) => void) | undefined;
  /** Before the step is recorded. */
  readonly onDue: () => void;
  /** After the last step. */
  readonly onLast: () => void;
  /** After any other step. */
  readonly onLeft: () => void;
}

/** Goes on: trims, or shows what is still asked for, or records the step and opens the next. */
export function useNext(work: Next) {
  const { serverNow } = useTimers();
  const { sheet, state, line, undone, add, onDone } = work;
  return () => {
    if (work.trim && state.inHand) {
      add({ kind: "trimmed", leg: state.inHand.leg });
      return;
    }
    const to = nextLine(state);
    if (missingParts(sheet, state, to).length > 0) {
      work.go(to);
      return;
    }
    const now = serverNow();
    const blocker = stepBlocker({ sheet, line, state, undone, inBatch: onDone !== undefined, now });
    if (blocker !== null && !work.held) {
      const { running, late, usual } = blocker;
      const message = heldWords(undone, late, running ? line.step.title : null, isMidRun(sheet));
      work.hold({ message: message ?? "", usual });
      return;
    }
    work.onDue();
    const events: EndEvent[] = leavingEvents(line, state, work.count, now);
    for (const event of events) add(event);
    if (work.last) {
      work.onLast();
      return;
    }
    const step: EndEvent = { kind: "step", to };
    work.onLeft();
    add(step);
    onDone?.([...events, step], state);
  };
}
