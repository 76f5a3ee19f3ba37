"use client";

import { useEffect, useState } from "react";
import { v4 as uuid } from "uuid";
import { z } from "zod";
import {
  type CheckSights,
  isOfShift,
  judgeToolCheck,
  type Problem,
  type ToolCheck,
  type ToolStanding,
  zCheckSights,
} from "@/core";
import { call } from "../http/http";
import { usePolled } from "../http/use-polled";
import { usePrefs } from "../prefs/prefs-context";

const NO_SIGHTS: CheckSights = { answers: {}, gauge: null, torque: null };
/** Interval between requests for what the others of the crew checked, milliseconds. */
const EVERY = 15_000;

/** A tool, which of several of its kind it is by its mark. */
export type OneTool = Pick<ToolStanding, "id" | "mark">;

export const isSameTool = (a: OneTool, b: OneTool): boolean => a.id === b.id && a.mark === b.mark;

/** Standing of each tool now, and the next to check. */
function useStandings(tools: readonly ToolStanding[]) {
  const [now, setNow] = useState<Date | null>(null);
  const freshen = () => setNow(new Date());
  useEffect(() => setNow(new Date()), []);
  const stands = (tool: ToolStanding): "due" | "good" | "failed" => {
    if (tool.last === null || now === null) return "due";
    if (!tool.last.good) return "failed";
    return isOfShift(tool.last.at, now) ? "good" : "due";
  };
  const inUse = tools.filter((tool) => tool.inUse);
  const next = (after: ToolStanding | null) => {
    const order = inUse.length > 0 ? inUse : tools;
    const place = order.findIndex((tool) => after !== null && isSameTool(tool, after));
    return [...order.slice(place + 1), ...order.slice(0, place + 1)].find(
      (tool, i) => (place < 0 || i < order.length - 1) && stands(tool) === "due",
    );
  };
  const due = inUse.filter((tool) => stands(tool) === "due");
  return { stands, inUse, due, next, freshen };
}

/** The tools of the server, each after those of its kind with the marks that were entered here and never checked. */
function useMarked(stored: readonly ToolStanding[]) {
  const [entered, setEntered] = useState<readonly ToolStanding[]>([]);
  const fresh = entered.filter((tool) => !stored.some((other) => isSameTool(tool, other)));
  const tools = [...new Set(stored.map(({ id }) => id))].flatMap((id) =>
    [...stored, ...fresh].filter((tool) => tool.id === id),
  );
  const addMarked = (tool: ToolStanding, mark: string) =>
    setEntered([
      ...fresh.filter((other) => !isSameTool(other, { id: tool.id, mark })),
      { ...tool, mark, last: null, named: [], closures: [] },
    ]);
  return { tools, addMarked };
}

/** The tools to check, the one at hand, and the answers given of it so far. */
export function useShift(first: readonly ToolStanding[]) {
  const { prefs } = usePrefs();
  const { data, refresh } = usePolled("get /tool-checks", {}, { every: EVERY });
  const { tools, addMarked } = useMarked(data?.tools ?? first);
  const { stands, due, inUse, next, freshen } = useStandings(tools);
  const [picked, setPicked] = useState<OneTool | null>(null);
  const [again, setAgain] = useState(false);
  const [sights, setSights] = useState<CheckSights>(NO_SIGHTS);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [sending, setSending] = useState<string | null>(null);

  const at =
    tools.find((tool) => picked !== null && isSameTool(tool, picked)) ?? next(null) ?? inUse[0] ?? tools[0];

  const pick = (tool: OneTool | null) => {
    setPicked(tool);
    setAgain(false);
    setSights(NO_SIGHTS);
    setProblem(null);
    setSending(null);
  };
  const store = async (tool: ToolStanding, given: CheckSights, id: string): Promise<ToolCheck | null> => {
    setPicked(tool);
    setSights(given);
    setSending(id);
    setProblem(null);
    const answer = await call("post /tool-checks", {
      body: { id, tool: tool.id, mark: tool.mark, by: prefs.person, sights: z.encode(zCheckSights, given) },
    });
    if (!answer.ok) {
      setProblem(answer.problem);
      return null;
    }
    setSending(null);
    freshen();
    await refresh();
    if (answer.value.good) pick(next(tool) ?? tool);
    else {
      setAgain(false);
      setSights(NO_SIGHTS);
    }
    return answer.value;
  };
  /** Takes an answer: stored as soon as the answers settle the check, else the next question is asked. */
  const answer = (tool: ToolStanding, question: string, given: string) => {
    const next = { ...sights, answers: { ...sights.answers, [question]: given } };
    setSights(next);
    setPicked(tool);
    if (judgeToolCheck(tool.kind, next, null).open.length === 0) void store(tool, next, uuid());
  };
  return {
    /** Lots in use; null until the server has answered. */
    lots: data?.lots ?? null,
    refresh: () => void refresh(),
    ...{ tools, at, sights, problem, stands, answer, pick },
    /** Stores what was read of a gauge or a torque. */
    read: (tool: ToolStanding, given: Partial<CheckSights>) =>
      void store(tool, { ...NO_SIGHTS, ...given }, uuid()),
    isChecked: at !== undefined && !again && stands(at) !== "due" && Object.keys(sights.answers).length === 0,
    isSending: sending !== null && problem === null,
    retry: () => at && sending !== null && void store(at, sights, sending),
    checkAgain: () => setAgain(true),
    goOn: () => at && pick(next(at) ?? at),
    /** Turns to another tool of a kind, by what it is marked. */
    pickMarked: (tool: ToolStanding, mark: string) => {
      addMarked(tool, mark);
      pick({ id: tool.id, mark });
    },
    left: due.length,
    takeBack: async (check: string) => {
      const answer = await call("post /tool-checks/{id}/take-back", {
        params: { id: check },
        body: { by: prefs.person },
      });
      if (!answer.ok) setProblem(answer.problem);
      await refresh();
    },
  };
}

export type Shift = ReturnType<typeof useShift>;
