import {
  FAULT_NAMES,
  isMidRun,
  judgementOf,
  onLeg,
  type Recorded,
  type RunSheet,
  seenFibreText,
} from "@/core";
import { mmText } from "../words/length-text";

const nameOf = (sheet: RunSheet, feature: string): string =>
  sheet.features.find(({ id }) => id === feature)?.name ?? feature;

/** One event of an end's history in words. */
export function historyLine(sheet: RunSheet, events: readonly Recorded[], { event }: Recorded): string {
  switch (event.kind) {
    case "thread": {
      const part = sheet.parts.find(({ id }) => id === event.part)?.name ?? event.part;
      return event.on ? `${part} on` : `${part} taken off`;
    }
    case "step":
      return `To step ${event.to + 1}: ${sheet.lines[event.to]?.step.title ?? "?"}`;
    case "reading": {
      const check = sheet.checks.find(({ id }) => id === event.check);
      return `Read ${event.typed} (${event.instrument.name.toLowerCase()}): ${check?.name ?? event.check}${onLeg(check?.leg ?? "", isMidRun(sheet))}`;
    }
    case "strike": {
      const struck = events.find(({ id }) => id === event.reading)?.event;
      return struck?.kind === "reading" ? `Struck out the reading ${struck.typed}` : "Struck out a reading";
    }
    case "answer": {
      const judgement = sheet.lines
        .flatMap(({ step }) => judgementOf(step) ?? [])
        .find(({ id }) => id === event.judgement);
      const sees = judgement?.answers.find(({ id }) => id === event.answer)?.sees ?? event.answer;
      return `Saw: ${sees}${event.seen ? ` (${event.seen.map(seenFibreText).join("; ")})` : ""}`;
    }
    case "label":
      return `Named ${[event.job, event.label].filter(Boolean).join(" · ") || "nothing"}`;
    case "retry": {
      const rule = sheet.retries.find(({ id }) => id === event.rule)?.name ?? event.rule;
      return `Back to step ${event.to + 1}, ${sheet.lines[event.to]?.step.title ?? "?"}: ${rule}${onLeg(event.leg ?? "", isMidRun(sheet))}`;
    }
    case "restart": {
      const part = sheet.parts.find(({ id }) => id === event.part)?.name ?? event.part;
      return `Cut off and begun again: ${part} was not on; ${mmText(event.cableLost)} mm of cable`;
    }
    case "rework": {
      const moves = event.moves.map(({ feature }) => nameOf(sheet, feature)).join(", ");
      const why = event.cause.checks.map((id) => sheet.checks.find((check) => check.id === id)?.name ?? id);
      return `Redone by the ${event.plan} way${onLeg(event.leg ?? "", isMidRun(sheet))}: ${moves}; ${mmText(event.cableLost)} mm of cable${why.length > 0 ? `, for ${why.join(", ")}` : ""}`;
    }
    case "take-back":
      return takenBackLine(sheet, events, event.event);
    case "trimmed":
      return `Trimmed the end${onLeg(event.leg, isMidRun(sheet))}`;
    case "park":
      return event.on ? `Parked${event.why ? `: ${event.why}` : ""}` : "Taken up again";
    case "counted":
      return `Counted ${event.count} ${event.of}`;
    case "fault":
      return `${event.on ? "Seen" : "Taken back"}: ${FAULT_NAMES[event.what]}, ${nameOf(sheet, event.feature)}${onLeg(event.leg ?? "", isMidRun(sheet))}`;
    case "spare":
      return `${mmText(event.length)} mm of cable to spare`;
    case "correction":
      return `Correction by ${event.name}: ${event.says} (${event.why})`;
    case "photo":
      return `Photograph${event.caption ? `: ${event.caption}` : ""}`;
    case "unread":
      return event.why === "newer"
        ? `Made by a newer Arlent${event.says ? ` (“${event.says}”)` : ""}: kept, and read by that one`
        : `Cannot be read${event.says ? ` (“${event.says}”)` : ""}: kept as it lies in the file`;
    case "shards":
      return shardsLine(event.made, event.binned);
    case "use":
      return `Used ${event.items.map(({ item, count }) => `${count} × ${item}`).join(", ")}`;
    case "timer": {
      const title = sheet.lines.find(({ step }) => step.id === event.step)?.step.title ?? event.step;
      return event.action === "start" ? `${title}: ${event.seconds} seconds begun` : `${title}: ended`;
    }
    case "sign":
      return `${event.outcome === "discarded" ? "Discarded" : "Signed off"} by ${event.name}${event.outcome === "cut-off" ? ", cut off" : ""}${event.missingShards ? `; shards missing: ${event.missingShards}` : ""}`;
  }
}

function takenBackLine(sheet: RunSheet, events: readonly Recorded[], id: string): string {
  const undone = events.find((event) => event.id === id);
  const line =
    undone && undone.event.kind !== "take-back" ? historyLine(sheet, events, undone) : "the last act";
  return `Undone: ${line}`;
}

function shardsLine(made: number, binned: number): string {
  const pieces = (count: number) => `${Math.abs(count)} ${Math.abs(count) === 1 ? "shard" : "shards"}`;
  return [
    made === 0 ? null : `${pieces(made)} ${made > 0 ? "off" : "taken back"}`,
    binned === 0 ? null : `${pieces(binned)} ${binned > 0 ? "in the bin" : "out of the bin again"}`,
  ]
    .filter((one) => one !== null)
    .join(", ");
}
