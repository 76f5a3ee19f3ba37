import { judgementOf, type Recorded, type RunSheet } from "@/core";

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
      return `Back to step ${entry.to + 1}, ${sheet.lines[entry.to]?.step.title ?? "?"}: ${rule}`;
    }
    case "shards":
      return shardsLine(entry.made, entry.binned);
    case "use":
      return `Used ${entry.items.map(({ item, count }) => `${count} × ${item}`).join(", ")}`;
    case "timer": {
      const title = sheet.lines.find(({ step }) => step.id === entry.step)?.step.title ?? entry.step;
      return entry.action === "start" ? `${title}: ${entry.seconds} seconds begun` : `${title}: ended`;
    }
    case "sign":
      return `Signed off by ${entry.name}${entry.outcome === "cut-off" ? ", cut off" : ""}${entry.missingShards ? `; shards missing: ${entry.missingShards}` : ""}`;
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
