import {
  advise,
  countedEvent,
  counterOf,
  type EndEvent,
  type EndState,
  type EventInput,
  endedBy,
  endState,
  judgementOf,
  type Line,
  mustHoldAt,
  type Rule,
  type RunSheet,
  retriesOffered,
  retryEvent,
  reworkEvent,
  spentAt,
  usualLimit,
  zStoredEvent,
} from "@/core";
import type { MadeEnd } from "./demo-schema";

/** A hand's own small error on one length of one end, micrometres: always the same, never alike. */
const slip = (end: number, length: string): number =>
  (([...length].reduce((sum, letter) => sum * 31 + letter.charCodeAt(0), 7) * (end + 3)) % 360) - 180;

/** The state of an end from events not stored yet. */
const stateOf = (events: readonly EventInput[]): EndState =>
  endState(
    events.map((event, i) => ({
      id: String(i),
      seq: i + 1,
      at: "",
      client: "demo",
      event: zStoredEvent.parse(event),
    })),
  );

/** What doing a step logs: its count, and what it uses up. */
function doneAt(line: Line): EventInput[] {
  const counts = counterOf(line)?.min ?? 0;
  const events: EndEvent[] = [
    ...countedEvent(line, counts),
    ...spentAt(line, { spent: [] }, counts > 0 ? counts : null),
  ];
  return events as EventInput[];
}

/** How an end of the demo is made, and by whom it is signed. */
interface Making {
  readonly end: MadeEnd;
  /** Its place among all ends: what its small errors follow from. */
  readonly number: number;
  readonly sheet: RunSheet;
  readonly rule: Rule;
  readonly instrument: Extract<EventInput, { kind: "reading" }>["instrument"];
  readonly signedBy: string;
  /** When it was begun. */
  readonly begun: Date;
}

/** What changes while an end is made. */
interface Progress {
  readonly events: EventInput[];
  /** Looks still to be bad once. */
  readonly bad: Map<string, string>;
  /** Places after the rework; null before it. */
  reworked: Readonly<Record<string, number>> | null;
  /** Shards off and not in the bin yet. */
  shards: number;
}

/** Every event of an end, from its first step to its sign-off. */
export function madeEndEvents(making: Making): EventInput[] {
  const { end, sheet, signedBy } = making;
  const progress: Progress = { events: [], bad: new Map(Object.entries(end.bad)), reworked: null, shards: 0 };
  for (let index = 0; index < sheet.lines.length; index++) {
    const line = mustHoldAt(sheet.lines, index);
    progress.events.push({ kind: "step", to: index });
    readLengths(making, progress, line);
    const back = rework(making, progress, line) ?? lookAgain(making, progress, line);
    if (back !== null) {
      index = back - 1;
      continue;
    }
    finishStep(progress, line);
  }
  bin(progress);
  return [...progress.events, ...lightRead(making), { kind: "sign", name: signedBy, outcome: end.outcome }];
}

/** Light through an end of a piece that has a connector on it, at two wavelengths, with the reference of that morning. */
function lightRead({ end, number, sheet, begun }: Making): EventInput[] {
  const limit = usualLimit(sheet.procedure.family);
  const isTested = "at" in end && end.outcome === "kept" && endedBy(sheet.procedure.family) !== null;
  if (!isTested || !limit || end.cable.startsWith("harness")) return [];
  const at = (minutes: number) => new Date(begun.getTime() + minutes * 60_000).toISOString();
  return ([1310, 1550] as const).map((wavelength, i): EventInput => {
    const loss = 0.42 + slip(number, `light ${wavelength}`) / 1_000;
    return {
      ...{ kind: "light", read: at(12 + i), from: "here", matings: number % 20, celsius: 14 },
      reference: {
        ...{ taken: at(-50), wavelength, source: "Hall source 2", cord: "Launch cord 4" },
        ...{ dBm: [-20.02, -20.05], celsius: 13 },
      },
      meter: {
        ...{ id: "power-meter", name: "Power meter and source" },
        ...{ resolution: 0.01, repeatability: 0.02, mating: 0.05 },
      },
      dBm: [-20.03, -20.05].map((power) => Math.round((power - loss) * 100) / 100),
      ...{ limitDb: limit.dB, limitFrom: "ANSI/TIA-568.3, connector and splice", tried: "first" },
    };
  });
}

/** Reads every length of a line twice. */
function readLengths(
  { end, number, instrument }: Making,
  { events, reworked }: Progress,
  { checks }: Line,
): void {
  for (const { id, from, to, nominal } of checks.filter((check) => !end.skip.includes(check.id))) {
    const [near, far] = [reworked?.[from], reworked?.[to]];
    const redone = near !== undefined && far !== undefined ? far - near : nominal;
    const lies = reworked ? redone : nominal + (end.off[id] ?? 0) + slip(number, id);
    for (const wobble of [-20, 30]) {
      const value = Math.max(0, Math.round((lies + wobble) / 10) * 10);
      const typed = (value / 1000).toFixed(2);
      events.push({ kind: "reading", check: id, value, typed, unit: "mm", instrument });
    }
  }
}

/** Takes the advice once, where the end is to be reworked. @returns the line it comes back to, or null. */
function rework({ end, sheet, rule }: Making, progress: Progress, line: Line): number | null {
  if (!end.reworked || progress.reworked || line.checks.length === 0) return null;
  const [advice] = advise(sheet, stateOf(progress.events), rule);
  if (advice?.kind !== "rework") return null;
  const taken = reworkEvent(advice, "recommended");
  progress.reworked = taken.places;
  progress.events.push(taken as EventInput);
  for (const to of taken.steps) {
    const again = mustHoldAt(sheet.lines, to);
    if (to !== taken.to) progress.events.push({ kind: "step", to });
    answerGood(progress, again);
    progress.events.push(...doneAt(again));
    progress.shards += again.step.shards;
  }
  return taken.back;
}

/** Sees a look bad that is to be bad once, and tries again. @returns the line to go on from, or null. */
function lookAgain({ sheet }: Making, { events, bad }: Progress, line: Line): number | null {
  const judgement = judgementOf(line.step);
  const seen = judgement && bad.get(judgement.id);
  if (!judgement || !seen) return null;
  bad.delete(judgement.id);
  events.push({ kind: "answer", judgement: judgement.id, answer: seen });
  const [offer] = retriesOffered(sheet, endState([]), judgement.id, seen);
  if (!offer) throw new Error(`${judgement.id}: ${seen} offers nothing to try`);
  events.push(retryEvent(sheet, offer, judgement.id, seen) as EventInput);
  return offer.to;
}

function answerGood({ events }: Progress, line: Line): void {
  const judgement = judgementOf(line.step);
  const good = judgement?.answers.find((answer) => answer.good);
  if (judgement && good) events.push({ kind: "answer", judgement: judgement.id, answer: good.id });
}

function finishStep(progress: Progress, line: Line): void {
  answerGood(progress, line);
  progress.events.push(...doneAt(line));
  progress.shards += line.step.shards;
  if (line.step.kind === "dispose") bin(progress);
}

function bin(progress: Progress): void {
  if (progress.shards > 0) progress.events.push({ kind: "shards", made: 0, binned: progress.shards });
  progress.shards = 0;
}
