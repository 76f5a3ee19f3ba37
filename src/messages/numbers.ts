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
