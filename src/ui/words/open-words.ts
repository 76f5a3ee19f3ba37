import type { OpenPoint } from "@/core";
import { FAULT_SAID } from "../advice/advice-words";

const named = ({ name, leg }: { name: string; leg: string }): string => (leg ? `${name}, leg ${leg}` : name);

const HEADS = {
  out: "Out",
  bad: "Not good",
  fault: "Seen and not redone",
  unsure: "Not settled",
  unread: "Not read",
  unanswered: "Not answered",
} as const;

function pointName(point: OpenPoint): string {
  switch (point.kind) {
    case "bad":
      return point.sees.toLowerCase();
    case "unanswered":
      return point.asks.replace(/\?$/, "").toLowerCase();
    case "fault":
      return named({ name: FAULT_SAID[point.fault.what], leg: point.fault.leg });
    default:
      return named(point.check);
  }
}

/** What keeps an end from being in, by name, a line for each kind of thing: `Out: cleave length`. */
export function openLines(points: readonly OpenPoint[]): string[] {
  return (Object.keys(HEADS) as (keyof typeof HEADS)[]).flatMap((kind) => {
    const names = [...new Set(points.filter((point) => point.kind === kind).map(pointName))];
    return names.length > 0 ? [`${HEADS[kind]}: ${names.join("; ")}`] : [];
  });
}
