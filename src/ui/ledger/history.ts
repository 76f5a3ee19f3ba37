import { FAULT_NAMES, judgementOf, type Recorded, type RunSheet } from "@/core";
import { mmText } from "../words/length-text";

const nameOf = (sheet: RunSheet, feature: string): string =>
  sheet.features.find(({ id }) => id === feature)?.name ?? feature;

/** One entry of an end's history in words. */
export function historyLine(sheet: RunSheet, entries: readonly Recorded[], { entry }: Recorded): string {
  switch (entry.kind) {
    case "thread": {
      const part = sheet.parts.find(({ id }) => id === entry.part)?.name ?? entry.part;
      return entry.on ? `${part} on` : `${part} taken off`;
    }
    case "step":
      return `To step ${entry.to + 1}: ${sheet.lines[entry.to]?.step.title ?? "?"}`;
    case "reading": {
      const check = sheet.checks.find(({ id }) => id === entry.check);
      return `Read ${entry.typed} (${entry.instrument.name.toLowerCase()}): ${check?.name ?? entry.check}${check?.leg ? `, leg ${check.leg}` : ""}`;
    }
    case "strike": {
      const struck = entries.find(({ id }) => id === entry.reading)?.entry;
      return struck?.kind === "reading" ? `Struck out the reading ${struck.typed}` : "Struck out a reading";
    }
    case "answer": {
      const judgement = sheet.lines
        .flatMap(({ step }) => judgementOf(step) ?? [])
        .find(({ id }) => id === entry.judgement);
      return `Saw: ${judgement?.answers.find(({ id }) => id === entry.answer)?.sees ?? entry.answer}`;
    }
    case "label":
      return `Named ${[entry.job, entry.label].filter(Boolean).join(" · ") || "nothing"}`;
    case "redo": {
      const rule = sheet.retries.find(({ id }) => id === entry.rule)?.name ?? entry.rule;
      return `Back to step ${entry.to + 1}, ${sheet.lines[entry.to]?.step.title ?? "?"}: ${rule}${entry.leg ? `, leg ${entry.leg}` : ""}`;
    }
    case "restart": {
      const part = sheet.parts.find(({ id }) => id === entry.part)?.name ?? entry.part;
      return `Cut off and begun again: ${part} was not on; ${mmText(entry.cableLost)} mm of cable`;
    }
    case "rework": {
      const moves = entry.moves.map(({ feature }) => nameOf(sheet, feature)).join(", ");
      const why = entry.cause.checks.map((id) => sheet.checks.find((one) => one.id === id)?.name ?? id);
      return `Redone by the ${entry.plan} way${entry.leg ? `, leg ${entry.leg}` : ""}: ${moves}; ${mmText(entry.cableLost)} mm of cable${why.length > 0 ? `, for ${why.join(", ")}` : ""}`;
    }
    case "untake":
      return "Took the redo back";
    case "fault":
      return `${entry.on ? "Seen" : "Taken back"}: ${FAULT_NAMES[entry.what]}, ${nameOf(sheet, entry.feature)}${entry.leg ? `, leg ${entry.leg}` : ""}`;
    case "spare":
      return `${mmText(entry.length)} mm of cable to spare`;
    case "correction":
      return `Correction by ${entry.name}: ${entry.says} (${entry.why})`;
    case "photo":
      return `Photograph${entry.caption ? `: ${entry.caption}` : ""}`;
    case "shards":
      return shardsLine(entry.made, entry.binned);
    case "use":
      return `Used ${entry.items.map(({ item, count }) => `${count} × ${item}`).join(", ")}`;
    case "timer": {
      const title = sheet.lines.find(({ step }) => step.id === entry.step)?.step.title ?? entry.step;
      return entry.action === "start" ? `${title}: ${entry.seconds} seconds begun` : `${title}: ended`;
    }
    case "sign":
      return `${entry.outcome === "discarded" ? "Discarded" : "Signed off"} by ${entry.name}${entry.outcome === "cut-off" ? ", cut off" : ""}${entry.missingShards ? `; shards missing: ${entry.missingShards}` : ""}`;
  }
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
