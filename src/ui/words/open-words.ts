import type { OpenTold } from "@/core";

const HEADS = {
  out: "Out",
  bad: "Not good",
  fault: "Seen and not redone",
  unsure: "Not settled",
  unread: "Not read",
  unanswered: "Not answered",
} as const;

const KINDS = [
  "out",
  "bad",
  "fault",
  "unsure",
  "unread",
  "unanswered",
] as const satisfies readonly OpenTold["kind"][];

function pointName({ kind, what, leg }: OpenTold): string {
  if (kind === "bad") return what.toLowerCase();
  if (kind === "unanswered") return what.replace(/\?$/, "").toLowerCase();
  return leg ? `${what}, leg ${leg}` : what;
}

/** What keeps an end from being in, by name, a line for each kind of thing: `Out: cleave length`. */
export function openLines(points: readonly OpenTold[]): string[] {
  return KINDS.flatMap((kind) => {
    const names = [...new Set(points.filter((point) => point.kind === kind).map(pointName))];
    return names.length > 0 ? [`${HEADS[kind]}: ${names.join("; ")}`] : [];
  });
}
