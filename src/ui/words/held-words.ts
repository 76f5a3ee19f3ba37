import { type Clock, onLeg, type Undone } from "@/core";

const listed = (names: readonly string[]): string => [...new Set(names)].join(", ");

/** What a step still asks for, said when somebody goes on without it; null where it asks for nothing. */
export function heldWords(
  undone: Undone | null,
  late: Clock | null,
  running: string | null = null,
  midRun = false,
): string | null {
  const says = [
    ...(undone && undone.checks.length > 0
      ? [`Not read: ${listed(undone.checks.map(({ name, leg }) => `${name}${onLeg(leg, midRun)}`))}.`]
      : []),
    ...(undone?.asks ? [`Not answered: ${undone.asks}`] : []),
    ...(undone?.bad ? [`Not good: ${undone.bad}.`] : []),
    ...(undone?.cutShort ? ["Its time was cut short."] : []),
    ...(running ? [`Still running: ${running}.`] : []),
    ...(late ? [late.cleaved ? "The cleaved end has stood too long." : `The ${late.of} has run out.`] : []),
  ];
  return says.length > 0 ? says.join(" ") : null;
}

/** One step that was passed without what it asks for, for a list of them. */
export const passedWords = ({ checks, asks, bad, cutShort }: Undone, midRun = false): string =>
  [
    ...(checks.length > 0
      ? [`${listed(checks.map(({ name, leg }) => `${name}${onLeg(leg, midRun)}`))} not read`]
      : []),
    ...(asks ? ["not answered"] : []),
    ...(bad ? [bad.toLowerCase()] : []),
    ...(cutShort ? ["its time was cut short"] : []),
  ].join("; ");
