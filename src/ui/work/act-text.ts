import { type EndEvent, FAULT_NAMES, judgementOf, type RunSheet } from "@/core";
import { t } from "@/messages/bench";

/** What taking an act back will undo, in a few words: `reading 8.2`, `step to “Cleave”`. */
export function actText(sheet: RunSheet, act: EndEvent): string {
  switch (act.kind) {
    case "thread": {
      const part = sheet.parts.find(({ id }) => id === act.part)?.name ?? act.part;
      return `${part} ${act.on ? "on" : "off"}`;
    }
    case "step":
      return t("step-to", { value: sheet.lines[act.to]?.step.title ?? act.to + 1 });
    case "reading":
      return `reading ${act.typed}`;
    case "light":
      return t("light-of", { wavelength: act.reference.wavelength });
    case "end-face":
      return t("end-face");
    case "strike":
      return t("striking-out-a-reading");
    case "answer":
      return t("answer", { seesOf: seesOf(sheet, act) });
    case "retry":
    case "restart":
      return t("going-back");
    case "rework":
      return "rework";
    case "trimmed":
      return "trimming";
    case "fault":
      return act.on ? FAULT_NAMES[act.what] : t("taken-back", { value: FAULT_NAMES[act.what] });
    case "park":
      return act.on ? "parking" : t("taking-up-again");
    case "spare":
      return t("cable-to-spare");
    case "shards":
      return act.binned !== 0 ? t("shards-in-the-bin") : "shards";
    case "timer":
      return act.action === "start" ? t("time-begun") : t("time-ended");
    case "use":
      return t("what-was-used");
    case "counted":
      return `${act.count} ${act.of}`;
    case "sign":
      return "discarding";
    case "label":
    case "photo":
    case "correction":
    case "countersign":
    case "take-back":
      return act.kind;
  }
}

const seesOf = (sheet: RunSheet, { judgement, answer }: Extract<EndEvent, { kind: "answer" }>): string =>
  sheet.lines
    .flatMap(({ step }) => judgementOf(step) ?? [])
    .find(({ id }) => id === judgement)
    ?.answers.find(({ id }) => id === answer)?.sees ?? answer;
