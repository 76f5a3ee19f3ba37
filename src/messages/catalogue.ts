import { IntlMessageFormat } from "intl-messageformat";
import type { Saying, Values } from "@/core";
import { language } from "./language";
import { MADE_UP, madeUp } from "./made-up";

/** Whether a message has arguments, or characters ICU gives a meaning to. */
const ICU = /[{}]|''|'[{}]/;

/**
 * The messages of a room as a function from key and values to text. Messages are written in ICU message syntax
 * (Unicode CLDR, "Message Format"). A message the language in use does not have is shown in English.
 * @example catalogue("bench", { left: "{count, plural, one {# step} other {# steps}} left" })("left", { count: 2 }) // "2 steps left"
 */
export function catalogue<const Messages extends Readonly<Record<string, string>>>(
  room: string,
  english: Messages,
): (key: keyof Messages & string, values?: Values) => string {
  const formats = new Map<string, IntlMessageFormat>();
  let code = "";
  return (key, values) => {
    const now = language();
    if (now.code !== code) {
      formats.clear();
      code = now.code;
    }
    const message = now.rooms[room]?.[key] ?? english[key];
    if (message === undefined) return key;
    if (code !== MADE_UP && !ICU.test(message)) return message;
    let format = formats.get(key);
    if (!format) {
      format =
        code === MADE_UP
          ? new IntlMessageFormat(madeUp(message), "en")
          : new IntlMessageFormat(message, code, undefined, { ignoreTag: true });
      formats.set(key, format);
    }
    const text = format.format(values);
    return typeof text === "string" ? text : String(text);
  };
}

/** The messages of a room as a function from key and values to a sentence that keeps both. */
export function sayings<const Messages extends Readonly<Record<string, string>>>(
  room: string,
  english: Messages,
): (key: keyof Messages & string, values?: Values) => Saying {
  const t = catalogue(room, english);
  return (key, values = {}) => ({ key: `${room}/${key}`, values, text: t(key, values) });
}
