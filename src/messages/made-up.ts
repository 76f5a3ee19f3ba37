import { IntlMessageFormat } from "intl-messageformat";

/** The tag of the made-up language: English with every letter accented and every text a third longer. */
export const MADE_UP = "en-XA";

type Elements = ReturnType<IntlMessageFormat["getAst"]>;

/** Number of `TYPE.literal` in a parsed message. */
const LITERAL = 0;

const PLAIN = "abcdefghijklmnopqrstuvwxyz";
const ACCENTED = [..."áƀçđéƒǵĥíĵķłɱńóƥɋŕšťúṽŵẋýž"];

/** Capitals are those of the accented letters: two texts that differ by case alone still do. */
const accents = new Map(
  [...PLAIN].flatMap((letter, i) => {
    const accent = ACCENTED[i] ?? letter;
    return [
      [letter, accent],
      [letter.toUpperCase(), accent.toUpperCase()],
    ] as const;
  }),
);

/** A text with its letters accented; each word of three letters or more is a third longer. */
export const accented = (text: string): string =>
  text.replace(/[A-Za-z]+/g, (word) => {
    const letters = [...word].map((letter) => accents.get(letter) ?? letter);
    const longer = word.length < 3 ? 0 : Math.ceil(word.length / 3);
    return [...letters, ...Array.from({ length: longer }, () => letters.at(-1) ?? "")].join("");
  });

/** A message in the made-up language, parsed. Its arguments stay as they are. */
export const madeUp = (message: string): Elements =>
  inElements(new IntlMessageFormat(message, "en", undefined, { ignoreTag: true }).getAst());

function inElements(elements: Elements): Elements {
  return elements.map((element) => {
    if (element.type === LITERAL && "value" in element) return { ...element, value: accented(element.value) };
    if ("options" in element)
      return {
        ...element,
        options: Object.fromEntries(
          Object.entries(element.options).map(([name, option]) => [
            name,
            { ...option, value: inElements(option.value) },
          ]),
        ),
      };
    return element;
  }) as Elements;
}
