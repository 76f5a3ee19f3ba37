import { MADE_UP } from "./made-up";

/** Messages of a language: by room, then by key. */
export type Rooms = Readonly<Record<string, Readonly<Record<string, string>>>>;

/** The language a page or a process speaks. English is in the code; another language is loaded beside it. */
export interface Language {
  /** A BCP 47 tag: `en`, `fr`, or `en-XA` for the made-up language. */
  readonly code: string;
  readonly rooms: Rooms;
}

export const ENGLISH: Language = { code: "en", rooms: {} };

/** The id of the element by which a page says its language. */
export const LANGUAGE_ELEMENT = "arlent-language";

declare global {
  var arlentLanguage: Language | undefined;
}

/** The language in use: what the process was set to, or what the page says it was written in. */
export function language(): Language {
  globalThis.arlentLanguage ??= typeof document === "undefined" ? ofProcess() : ofPage();
  return globalThis.arlentLanguage;
}

/** Sets the language of this process. Call it before any text is made. */
export function setLanguage(language: Language): void {
  globalThis.arlentLanguage = language;
}

/** The made-up language needs no messages of its own; any other is loaded and set when the process starts. */
const ofProcess = (): Language =>
  process.env.ARLENT_LANGUAGE === MADE_UP ? { code: MADE_UP, rooms: {} } : ENGLISH;

function ofPage(): Language {
  const text = document.getElementById(LANGUAGE_ELEMENT)?.textContent;
  return text ? JSON.parse(text) : ENGLISH;
}
