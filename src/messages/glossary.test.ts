import { existsSync, readdirSync, readFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { describe, expect, it } from "vitest";

/** Words that would be a second name for an idea, or that send a reader back to the start of the sentence, and what is said instead. */
const INSTEAD: Readonly<Record<string, string>> = {
  style: "connector, or procedure",
  styles: "connectors, or procedures",
  anew: "again",
  "is told": "is shown",
  "are told": "are shown",
  "goes before": "takes precedence",
  "so many": "the number itself",
};

const FOLDER = "src/messages/en";
const messages = readdirSync(FOLDER).flatMap((file) =>
  Object.entries<string>(JSON.parse(readFileSync(join(FOLDER, file), "utf8"))).map(
    ([key, text]): [string, string] => [`${file} ${key}`, text],
  ),
);

describe("what a page says", () => {
  it("has one word for each idea, and is read once", () => {
    const matches = messages.flatMap(([key, text]) =>
      Object.entries(INSTEAD).flatMap(([word, instead]) =>
        new RegExp(`(^|[^\\w{])${word.replace(".", "\\.")}($|[^\\w}])`, "i").test(text)
          ? [`${key}: “${word}” in “${text}”; say ${instead}`]
          : [],
      ),
    );
    expect(matches).toEqual([]);
  });
  it("tells what to enter where it refuses: no axiom", () => {
    const axioms = messages.filter(([, text]) =>
      /^(A|An|The) \w+( \w+)? (is|has) (at (least|most)|more than|no more|one of|a whole)\b/.test(text),
    );
    expect(axioms).toEqual([]);
  });
});

describe("the documents", () => {
  const pages = [
    "README.md",
    ...readdirSync("docs")
      .filter((name) => name.endsWith(".md"))
      .map((name) => join("docs", name)),
  ];
  it("name only files that are there", () => {
    const missing = pages.flatMap((page) => {
      const text = readFileSync(page, "utf8");
      const links = [...text.matchAll(/\]\(([^)#\s]+)(?:#[^)]*)?\)/g)]
        .map(([, link = ""]) => link)
        .filter((link) => !/^[a-z]+:/.test(link))
        .map((link) => join(dirname(page), link));
      const paths = [...text.matchAll(/`((?:src|library|demo|e2e|perf|scripts|docs)\/[\w./-]*\w)`/g)].map(
        ([, path = ""]) => path,
      );
      return [...links, ...paths].filter((path) => !existsSync(path)).map((path) => `${page}: ${path}`);
    });
    expect(missing).toEqual([]);
  });
});
