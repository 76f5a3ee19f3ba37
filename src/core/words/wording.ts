/** The values in a sentence. */
export type Values = Readonly<Record<string, string | number>>;

/** A sentence as a refusal carries it: programs read its key and values, people read its text. */
export interface Saying {
  /** Room and key, as `core/no-such-part`. */
  readonly key: string;
  readonly values: Values;
  readonly text: string;
}

/** Makes the text of a message from its room, its key and its values. */
type TextOf = (room: string, key: string, values: Values) => string;

/** What a schema says of an issue: the text is made when it is needed, since a schema stands before a language is set. */
export interface Said {
  readonly error: () => string;
}

declare global {
  var arlentTextOf: TextOf | undefined;
}

/**
 * Sets where the core's sentences come from. The core itself holds keys and values only; a page or a program calls this
 * once as it starts. Until then a text is its room and key.
 * @returns where they came from until now.
 * @example setTexts(setTexts((room, key) => `${room}: ${key}`))("hut", "open", {}) // "hut: open"
 */
export function setTexts(textOf: TextOf): TextOf {
  const before = globalThis.arlentTextOf ?? byKey;
  // One for all copies of this module: a server keeps one for its pages and one for its routes.
  globalThis.arlentTextOf = textOf;
  return before;
}

const byKey: TextOf = (room, key) => `${room}/${key}`;

const textOf: TextOf = (room, key, values) => (globalThis.arlentTextOf ?? byKey)(room, key, values);

/** The sentences of one room: as text, as a saying with key and values, and as what a schema says of an issue. */
export function wording(room: string) {
  const t = (key: string, values: Values = {}): string => textOf(room, key, values);
  return {
    t,
    say: (key: string, values: Values = {}): Saying => ({
      key: `${room}/${key}`,
      values,
      text: t(key, values),
    }),
    said: (key: string, values: Readonly<Record<string, string | number | (() => string)>> = {}): Said => ({
      error: () =>
        t(
          key,
          Object.fromEntries(
            Object.entries(values).map(([name, value]) => [
              name,
              typeof value === "function" ? value() : value,
            ]),
          ),
        ),
    }),
  };
}
