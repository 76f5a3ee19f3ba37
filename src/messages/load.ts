import { existsSync, readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { ENGLISH, type Language, setLanguage } from "./language";
import { MADE_UP } from "./made-up";

const HERE = join("src", "messages");

/**
 * The messages of a language: a folder named by its tag, a JSON file a room, as `en` has them. A message it leaves out is
 * shown in English.
 * @param folder where the folders of languages lie.
 * @throws Error where there is no such folder, or a file in it is not JSON.
 */
export function loadLanguage(code: string, folder = HERE): Language {
  const own = join(/*turbopackIgnore: true*/ folder, code);
  if (!/^[A-Za-z]{2,3}(-[A-Za-z0-9]+)*$/.test(code) || !existsSync(/*turbopackIgnore: true*/ own))
    throw new Error(
      `ARLENT_LANGUAGE is “${code}”, and ${own} is not there. Put its messages there, for example as ${join(folder, "en")} has them.`,
    );
  const files = readdirSync(/*turbopackIgnore: true*/ own).filter((file) => file.endsWith(".json"));
  const rooms = files.map((file) => [
    file.replace(/\.json$/, ""),
    JSON.parse(readFileSync(/*turbopackIgnore: true*/ join(own, file), "utf8")),
  ]);
  return { code, rooms: Object.fromEntries(rooms) };
}

/** Sets the language of this process to what ARLENT_LANGUAGE says; English without it. @throws Error as loadLanguage. */
export function speakAsSet(code = process.env.ARLENT_LANGUAGE): void {
  if (!code || code === ENGLISH.code || code === MADE_UP) return;
  setLanguage(loadLanguage(code));
}
