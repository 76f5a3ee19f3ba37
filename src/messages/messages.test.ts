import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { IntlMessageFormat } from "intl-messageformat";
import ts from "typescript";
import { afterEach, describe, expect, it } from "vitest";
import { attempt, check, parseAddress, SUBJECTS, VIOLATIONS, zBy } from "@/core";
import { catalogue } from "./catalogue";
import { ENGLISH, setLanguage } from "./language";
import { loadLanguage } from "./load";
import { MADE_UP } from "./made-up";

const SOURCE = "src";
const ENGLISH_FOLDER = "src/messages/en";

type Messages = Readonly<Record<string, string>>;
interface Use {
  readonly file: string;
  readonly room: string;
  readonly key: string;
  readonly values: readonly string[];
}

const filesUnder = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesUnder(join(folder, entry.name)) : [join(folder, entry.name)],
  );

/** What a file calls the messages of each room it reads. */
function roomsOf(source: ts.SourceFile): Map<string, string> {
  const rooms = new Map<string, string>();
  source.forEachChild((node) => {
    if (!ts.isImportDeclaration(node) || !ts.isStringLiteral(node.moduleSpecifier)) return;
    const room = /^(?:@\/messages|\.\.?\/(?:\.\.\/)*words)\/([\w-]+)$/.exec(node.moduleSpecifier.text)?.[1];
    const named = node.importClause?.namedBindings;
    if (!room || !named || !ts.isNamedImports(named)) return;
    for (const { name, propertyName } of named.elements)
      if (["t", "say", "said"].includes((propertyName ?? name).text)) rooms.set(name.text, room);
  });
  return rooms;
}

/** Every use of a message by its key, with the names of the values given. */
function usesIn(file: string): Use[] {
  const source = ts.createSourceFile(file, readFileSync(file, "utf8"), ts.ScriptTarget.Latest, true);
  const rooms = roomsOf(source);
  const uses: Use[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isCallExpression(node) && ts.isIdentifier(node.expression)) {
      const room = rooms.get(node.expression.text);
      const [key, values] = node.arguments;
      if (room && key && ts.isStringLiteralLike(key))
        uses.push({
          file,
          room,
          key: key.text,
          values:
            values && ts.isObjectLiteralExpression(values)
              ? values.properties.map((property) => property.name?.getText() ?? "")
              : [],
        });
    }
    node.forEachChild(visit);
  };
  visit(source);
  return uses;
}

/** Texts a module makes while it loads: outside every function, by something other than `said`. */
function earlyTextsIn(file: string): string[] {
  const source = ts.createSourceFile(file, readFileSync(file, "utf8"), ts.ScriptTarget.Latest, true);
  const rooms = roomsOf(source);
  const early: string[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isFunctionLike(node)) return;
    if (ts.isCallExpression(node) && ts.isIdentifier(node.expression) && node.expression.text !== "said")
      if (rooms.has(node.expression.text)) early.push(`${file}: ${node.getText()}`);
    node.forEachChild(visit);
  };
  visit(source);
  return early;
}

/** The arguments a message names. */
function argumentsOf(message: string): Set<string> {
  const names = new Set<string>();
  const visit = (elements: ReturnType<IntlMessageFormat["getAst"]>): void => {
    for (const element of elements) {
      if (element.type !== 0 && "value" in element && typeof element.value === "string")
        names.add(element.value);
      if ("options" in element) for (const { value } of Object.values(element.options)) visit(value);
    }
  };
  visit(new IntlMessageFormat(message, "en", undefined, { ignoreTag: true }).getAst());
  return names;
}

/** Rooms whose keys are the codes of a closed list in the core, and that list. */
const BY_CODE: Readonly<Record<string, readonly string[]>> = { violations: VIOLATIONS, looks: SUBJECTS };

const rooms = new Map<string, Messages>(
  readdirSync(ENGLISH_FOLDER).map((file) => [
    file.replace(".json", ""),
    JSON.parse(readFileSync(join(ENGLISH_FOLDER, file), "utf8")),
  ]),
);
const uses = filesUnder(SOURCE)
  .filter((file) => /\.tsx?$/.test(file) && !file.includes(".test."))
  .flatMap(usesIn);

describe("the messages", () => {
  it("are all used, and none is asked for that is not there", () => {
    expect(uses.length).toBeGreaterThan(1_000);
    const used = new Set([
      ...uses.map(({ room, key }) => `${room}/${key}`),
      ...Object.entries(BY_CODE).flatMap(([room, codes]) => codes.map((code) => `${room}/${code}`)),
    ]);
    const there = [...rooms].flatMap(([room, messages]) =>
      Object.keys(messages).map((key) => `${room}/${key}`),
    );
    expect(there.filter((key) => !used.has(key))).toEqual([]);
    expect([...used].filter((key) => !there.includes(key))).toEqual([]);
  });
  it("are given the values they name, and no others", () => {
    for (const { file, room, key, values } of uses) {
      const message = rooms.get(room)?.[key] ?? "";
      expect([file, key, [...values].sort()]).toEqual([file, key, [...argumentsOf(message)].sort()]);
    }
  });
});

/** Attributes whose text is read or spoken. */
const TEXTS =
  /^(title|label|name|empty|legend|hint|placeholder|alt|aria-label|aria-roledescription|aria-valuetext)$/;
/** What is the same in every language: formats, form fields, addresses. */
const SAME = new Set([
  ...["CSV", "JSON", "/api/v1/openapi"],
  // What fields of a form go by.
  ...[
    "purpose",
    "find",
    "estimate",
    "reason",
    "value",
    "note",
    "name",
    "across",
    "down",
    "tap",
    "outputs",
    "least",
    "most",
  ],
]);
const SENTENCE = /^[“A-Z][A-Za-z’']+[,:]?( [a-z’'“]+[.,:]?){2,}/;

/** Whether a text is said to whoever reads the code only: an error nobody but a developer sees. */
const isInternal = (node: ts.Node): boolean =>
  ts.isThrowStatement(node) ||
  (ts.isNewExpression(node) && node.expression.getText() === "Error") ||
  (node.parent !== undefined && !ts.isBlock(node) && isInternal(node.parent));

/** Texts of a component that are in its code. */
function textsIn(file: string): string[] {
  const source = ts.createSourceFile(file, readFileSync(file, "utf8"), ts.ScriptTarget.Latest, true);
  const matches: string[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isJsxText(node) && /[A-Za-z]{2,}/.test(node.text)) matches.push(node.text.trim());
    else if (ts.isJsxAttribute(node) && node.initializer && ts.isStringLiteral(node.initializer)) {
      if (TEXTS.test(node.name.getText()) && /[A-Za-z]{3,}/.test(node.initializer.text))
        matches.push(node.initializer.text);
    } else if ((ts.isStringLiteralLike(node) || ts.isTemplateHead(node)) && SENTENCE.test(node.text))
      if (!isInternal(node)) matches.push(node.text);
    node.forEachChild(visit);
  };
  visit(source);
  return matches.filter((text) => !SAME.has(text)).map((text) => `${file}: ${text}`);
}

describe("what a page says", () => {
  it("is in the messages, and none of it in the code", () => {
    const files = [...filesUnder("src/ui"), ...filesUnder("src/app")].filter(
      (file) => !file.includes("/api/"),
    );
    const texts = files.filter((file) => /\.tsx?$/.test(file) && !file.includes(".test.")).flatMap(textsIn);
    expect(texts).toEqual([]);
  });
});

describe("a refusal", () => {
  it("names its sentence in the messages: no text of it is in the code", () => {
    const literal = filesUnder(SOURCE)
      .filter((file) => /\.tsx?$/.test(file) && !file.includes(".test."))
      .flatMap((file) => {
        const text = readFileSync(file, "utf8");
        return [...text.matchAll(/new InputError\(\s*"[\w-]+",\s*["`]/g)].map(
          ([match]) => `${file}: ${match}`,
        );
      });
    expect(literal).toEqual([]);
  });
  it("speaks the language in use, though its schema stood before that was set", () => {
    const enter = () => attempt(() => check(zBy, { by: "moon" })).problem?.message;
    expect(enter()).toContain("A person's id must be a UUID");
    setLanguage({ code: "fr", rooms: { service: { "a-persons-id-must-be-a-uuid": "Il faut un UUID" } } });
    expect(enter()).toContain("Il faut un UUID");
    setLanguage(ENGLISH);
  });
  it("of the core is made when it is needed, not while its modules load", () => {
    const early = filesUnder("src/core")
      .filter((file) => /\.ts$/.test(file) && !file.includes(".test."))
      .flatMap(earlyTextsIn);
    expect(early).toEqual([]);
  });
  it("keeps its code, key, values and path beside the sentence, for whoever says it in another language", () => {
    expect(attempt(() => parseAddress("moon")).problem).toEqual({
      code: "no-such-element",
      key: "core/is-not-an-element-enter-it-like",
      params: { part: "moon" },
      message: expect.stringContaining("“moon”"),
      path: ["address"],
    });
  });
});

describe("a language", () => {
  it("is a folder of files, and what it leaves out stays English", () => {
    const folder = mkdtempSync(join(tmpdir(), "arlent-language-"));
    mkdirSync(join(folder, "fr"));
    writeFileSync(join(folder, "fr", "hut.json"), JSON.stringify({ open: "Ouvrez {what}" }));
    expect(loadLanguage("fr", folder)).toEqual({ code: "fr", rooms: { hut: { open: "Ouvrez {what}" } } });
    expect(() => loadLanguage("de", folder)).toThrow(/ARLENT_LANGUAGE is “de”, and .*de is not there/);
    expect(() => loadLanguage("../fr", folder)).toThrow(/is not there/);
    rmSync(folder, { recursive: true });
  });
});

describe("a catalogue", () => {
  afterEach(() => setLanguage({ code: "en", rooms: {} }));
  const t = catalogue("hut", {
    left: "{count, plural, one {# step} other {# steps}} left of “{name}”",
    open: "Open the {what}: it isn't locked",
  });
  it("puts values in, by number", () => {
    expect(t("left", { count: 1, name: "Cleave" })).toBe("1 step left of “Cleave”");
    expect(t("left", { count: 3, name: "Cleave" })).toBe("3 steps left of “Cleave”");
  });
  it("speaks the language that is set, and English where that has no message", () => {
    setLanguage({ code: "fr", rooms: { hut: { left: "Encore {count} étapes de « {name} »" } } });
    expect(t("left", { count: 1.5, name: "Cliver" })).toBe("Encore 1.5 étapes de « Cliver »");
    expect(t("open", { what: "hut" })).toBe("Open the hut: it isn't locked");
  });
  it("in the made-up language accents every letter, makes words a third longer and leaves values as they are", () => {
    setLanguage({ code: MADE_UP, rooms: {} });
    expect(t("open", { what: "hut" })).toBe("Óƥéńńń ťĥéé hut: íť íšńń'ť łóçķéđđđ");
  });
});
