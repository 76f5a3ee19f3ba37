import {
  FAULT_NAMES,
  gradeFace,
  isMidRun,
  judgementOf,
  onLeg,
  type Recorded,
  type RunSheet,
  seenFibreText,
} from "@/core";
import { t } from "@/messages/ledger";
import { mmText } from "../words/length-text";
import { signatureText } from "../words/signature-words";

const nameOf = (sheet: RunSheet, feature: string): string =>
  sheet.features.find(({ id }) => id === feature)?.name ?? feature;

/** One event of an end's history in words. */
export function historyLine(sheet: RunSheet, events: readonly Recorded[], { event }: Recorded): string {
  switch (event.kind) {
    case "thread": {
      const part = sheet.parts.find(({ id }) => id === event.part)?.name ?? event.part;
      return event.on ? `${part} on` : t("taken-off", { part });
    }
    case "step":
      return t("to-step", { value: event.to + 1, value2: sheet.lines[event.to]?.step.title ?? "?" });
    case "reading": {
      const check = sheet.checks.find(({ id }) => id === event.check);
      return t("read", {
        typed: event.typed,
        toLowerCase: event.instrument.name.toLowerCase(),
        value: check?.name ?? event.check,
        onLeg: onLeg(check?.leg ?? "", isMidRun(sheet)),
      });
    }
    case "strike": {
      const struck = events.find(({ id }) => id === event.reading)?.event;
      return struck?.kind === "reading"
        ? t("struck-out-the-reading", { typed: struck.typed })
        : t("struck-out-a-reading");
    }
    case "answer":
      return answerLine(sheet, event);
    case "label":
      return `Named ${[event.job, event.label].filter(Boolean).join(" · ") || "nothing"}`;
    case "retry": {
      const rule = sheet.retries.find(({ id }) => id === event.rule)?.name ?? event.rule;
      return t("back-to-step", {
        value: event.to + 1,
        value2: sheet.lines[event.to]?.step.title ?? "?",
        rule,
        onLeg: onLeg(event.leg ?? "", isMidRun(sheet)),
      });
    }
    case "restart": {
      const part = sheet.parts.find(({ id }) => id === event.part)?.name ?? event.part;
      return t("cut-off-and-begun-again-was", { part, mmText: mmText(event.cableLost) });
    }
    case "rework":
      return reworkLine(sheet, event);
    case "take-back":
      return takenBackLine(sheet, events, event.event);
    case "trimmed":
      return t("trimmed-the-end", { onLeg: onLeg(event.leg, isMidRun(sheet)) });
    case "park":
      return event.on ? `Parked${event.why ? `: ${event.why}` : ""}` : t("taken-up-again");
    case "counted":
      return `Counted ${event.count} ${event.of}`;
    case "fault":
      return faultLine(sheet, event);
    case "spare":
      return t("mm-of-cable-to-spare", { mmText: mmText(event.length) });
    case "correction":
      return t("correction-by", { name: event.name, says: event.says, why: event.why });
    case "countersign":
      return t("second-signature", { value: signatureText(event) });
    case "light":
      return lightLine(event);
    case "end-face":
      return faceLine(event);
    case "photo":
      return photoLine(event);
    case "unread":
      return event.why === "newer"
        ? t("made-by-a-newer-arlent-kept", { value: event.says ? ` (“${event.says}”)` : "" })
        : t("cannot-be-read-kept-as-it", { value: event.says ? ` (“${event.says}”)` : "" });
    case "shards":
      return shardsLine(event.made, event.binned);
    case "use":
      return `Used ${event.items.map(({ item, count }) => `${count} × ${item}`).join(", ")}`;
    case "timer":
      return timerLine(sheet, event);
    case "sign":
      return `${event.outcome === "discarded" ? t("discarded") : t("signed-off")} by ${event.name}${event.outcome === "cut-off" ? t("cut-off") : ""}${event.means && event.means !== "made" ? `; ${signatureText({ ...event, means: event.means })}` : ""}${event.missingShards ? t("shards-missing", { missingShards: event.missingShards }) : ""}`;
  }
}

const photoLine = ({ caption }: EventOf<"photo">): string => `Photograph${caption ? `: ${caption}` : ""}`;

const faultLine = (sheet: RunSheet, { on, what: fault, feature, leg }: EventOf<"fault">): string =>
  `${on ? t("seen") : t("taken-back")}: ${FAULT_NAMES[fault]}, ${nameOf(sheet, feature)}${onLeg(leg ?? "", isMidRun(sheet))}`;

function timerLine(sheet: RunSheet, { step: id, action, ...event }: EventOf<"timer">): string {
  const title = sheet.lines.find(({ step }) => step.id === id)?.step.title ?? id;
  return action === "start" && "seconds" in event
    ? t("seconds-begun", { title, seconds: event.seconds })
    : t("ended", { title });
}

function faceLine(event: EventOf<"end-face">): string {
  const { passes } = gradeFace(event);
  return t("face-graded", { marks: event.marks.length, passes: passes ? "yes" : "no" });
}

const lightLine = ({ reference, dBm, from }: EventOf<"light">): string =>
  t("light-read", {
    wavelength: reference.wavelength,
    from,
    reading: dBm.join(", "),
    reference: reference.dBm.join(", "),
  });

type EventOf<K extends Recorded["event"]["kind"]> = Extract<Recorded["event"], { kind: K }>;

function answerLine(sheet: RunSheet, event: EventOf<"answer">): string {
  const judgement = sheet.lines
    .flatMap(({ step }) => judgementOf(step) ?? [])
    .find(({ id }) => id === event.judgement);
  const sees = judgement?.answers.find(({ id }) => id === event.answer)?.sees ?? event.answer;
  return `Saw: ${sees}${event.seen ? ` (${event.seen.map(seenFibreText).join("; ")})` : ""}`;
}

function reworkLine(sheet: RunSheet, event: EventOf<"rework">): string {
  const moves = event.moves.map(({ feature }) => nameOf(sheet, feature)).join(", ");
  const why = event.cause.checks.map((id) => sheet.checks.find((check) => check.id === id)?.name ?? id);
  return t("redone-by-the-way-mm-of", {
    plan: event.plan,
    onLeg: onLeg(event.leg ?? "", isMidRun(sheet)),
    moves,
    mmText: mmText(event.cableLost),
    value: why.length > 0 ? t("for", { value: why.join(", ") }) : "",
  });
}

function takenBackLine(sheet: RunSheet, events: readonly Recorded[], id: string): string {
  const undone = events.find((event) => event.id === id);
  const line =
    undone && undone.event.kind !== "take-back" ? historyLine(sheet, events, undone) : t("the-last-act");
  return `Undone: ${line}`;
}

function shardsLine(produced: number, binned: number): string {
  const pieces = (count: number) => `${Math.abs(count)} ${Math.abs(count) === 1 ? "shard" : "shards"}`;
  return [
    produced === 0 ? null : `${pieces(produced)} ${produced > 0 ? "off" : t("taken-back-2")}`,
    binned === 0 ? null : `${pieces(binned)} ${binned > 0 ? t("in-the-bin") : t("out-of-the-bin-again")}`,
  ]
    .filter((line) => line !== null)
    .join(", ");
}
