import { language } from "./language";
import { MADE_UP } from "./made-up";

/** The tag numbers and dates go by. English days come before their month; the made-up language has a decimal comma. */
const tag = (): string => {
  const { code } = language();
  return code === "en" ? "en-GB" : code === MADE_UP ? "de" : code;
};

/**
 * A decimal figure with the decimal sign of the language in use (Unicode CLDR): nothing else in it changes.
 * @example decimal("1.85") // "1.85"; in French "1,85"
 */
export const decimal = (figure: string): string => figure.replace(".", decimalSign());

const decimalSign = (): string =>
  new Intl.NumberFormat(tag()).formatToParts(0.5).find(({ type }) => type === "decimal")?.value ?? ".";

/** A count with its thousands set apart as the language does. */
export const count = (whole: number): string => whole.toLocaleString(tag() === "en-GB" ? "en" : tag());

/** A moment in the reader's own zone, day and minute. */
export const moment = (at: Date): string =>
  at.toLocaleString(tag(), {
    day: "numeric",
    month: "short",
    year: "numeric",
    hour: "2-digit",
    minute: "2-digit",
    hourCycle: "h23",
  });

/** An hour and minute in the reader's own zone. */
export const clock = (at: Date): string =>
  at.toLocaleTimeString(tag(), { hour: "2-digit", minute: "2-digit", hourCycle: "h23" });

/**
 * A day as it is headed.
 * @param day written `2026-11-24`.
 * @example longDay("2026-11-24") // "Tuesday 24 November 2026"
 */
export const longDay = (day: string): string =>
  new Date(`${day}T12:00:00Z`)
    .toLocaleDateString(tag(), {
      weekday: "long",
      day: "numeric",
      month: "long",
      year: "numeric",
      timeZone: "UTC",
    })
    .replace(",", "");
