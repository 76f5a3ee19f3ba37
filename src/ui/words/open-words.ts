import type { OpenTold } from "@/core";
import { t } from "@/messages/words";

const HEADS = {
  out: t("out"),
  bad: t("not-good-2"),
  fault: t("seen-and-not-redone"),
  unsure: t("not-settled"),
  unread: t("not-read-3"),
  unanswered: t("not-answered-3"),
} as const;

const KINDS = [
  "out",
  "bad",
  "fault",
  "unsure",
  "unread",
  "unanswered",
] as const satisfies readonly OpenTold["kind"][];

function pointName({ kind, what: subject, leg }: OpenTold): string {
  if (kind === "bad") return subject.toLowerCase();
  if (kind === "unanswered") return subject.replace(/\?$/, "").toLowerCase();
  return leg ? t("leg-2", { what: subject, leg }) : subject;
}

/** What keeps an end from being in, by name, a line for each kind of thing: `Out: cleave length`. */
export function openLines(points: readonly OpenTold[]): string[] {
  return KINDS.flatMap((kind) => {
    const names = [...new Set(points.filter((point) => point.kind === kind).map(pointName))];
    return names.length > 0 ? [`${HEADS[kind]}: ${names.join("; ")}`] : [];
  });
}
