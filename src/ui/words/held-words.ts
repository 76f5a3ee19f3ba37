import { type Clock, onLeg, type Undone } from "@/core";
import { t } from "@/messages/words";

const listed = (names: readonly string[]): string => [...new Set(names)].join(", ");

/** What a step still asks for, said when somebody goes on without it; null where it asks for nothing. */
export function heldWords(
  undone: Undone | null,
  late: Clock | null,
  running: string | null = null,
  midRun = false,
): string | null {
  const lines = [
    ...(undone && undone.checks.length > 0
      ? [
          t("not-read", {
            listed: listed(undone.checks.map(({ name, leg }) => `${name}${onLeg(leg, midRun)}`)),
          }),
        ]
      : []),
    ...(undone?.asks ? [t("not-answered", { asks: undone.asks })] : []),
    ...(undone?.bad ? [t("not-good", { bad: undone.bad })] : []),
    ...(undone?.cutShort ? [t("its-time-was-cut-short")] : []),
    ...(running ? [t("still-running", { running })] : []),
    ...(late
      ? [late.cleaved ? t("the-cleaved-end-has-stood-too") : t("the-has-run-out", { of: late.of })]
      : []),
  ];
  return lines.length > 0 ? lines.join(" ") : null;
}

/** One step that was passed without what it asks for, for a list of them. */
export const passedWords = ({ checks, asks, bad, cutShort }: Undone, midRun = false): string =>
  [
    ...(checks.length > 0
      ? [t("not-read-2", { listed: listed(checks.map(({ name, leg }) => `${name}${onLeg(leg, midRun)}`)) })]
      : []),
    ...(asks ? [t("not-answered-2")] : []),
    ...(bad ? [bad.toLowerCase()] : []),
    ...(cutShort ? [t("its-time-was-cut-short-2")] : []),
  ].join("; ");
