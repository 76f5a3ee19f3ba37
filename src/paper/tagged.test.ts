import { PDFDict, PDFDocument, PDFName } from "pdf-lib";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { describe, expect, it } from "vitest";
import { getEnd } from "@/service/end/ends";
import { endRecord, recordJson } from "@/service/end/record";
import { signedEnd } from "@/service/fixtures/made-ends";
import { openStore } from "@/store/opening/open";
import { recordsPdf } from "./record-paper";
import { markedContent, tagged } from "./tagged";

const store = openStore(":memory:");
const id = signedEnd(store, "Osla Brandt", 0);
const plain = await recordsPdf(
  [recordJson(endRecord(store, id))],
  new Map(),
  new Map([[id, getEnd(store, id).sheet]]),
);
const read = (pdf: Uint8Array) => getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
const pdf = await read(await tagged(plain));
const before = await read(plain);

/** The texts of each page, with the mark each stands under; null where under none. */
async function textsOf(document: typeof pdf): Promise<{ text: string; mark: string | null }[][]> {
  const pages = [];
  for (let n = 1; n <= document.numPages; n++) {
    const { items } = await (await document.getPage(n)).getTextContent({ includeMarkedContent: true });
    const marks: string[] = [];
    pages.push(
      items.flatMap((item) => {
        if ("str" in item)
          return item.str.trim() === "" ? [] : [{ text: item.str, mark: marks.at(-1) ?? null }];
        if (item.type === "endMarkedContent") marks.pop();
        else marks.push(item.id ?? "");
        return [];
      }),
    );
  }
  return pages;
}

describe("a tagged record", () => {
  it("says the same texts at the same places as before, every one under a paragraph of its own tree", async () => {
    const [was, is] = [await textsOf(before), await textsOf(pdf)];
    // A reader parts what is marked apart: the letters are the same.
    const letters = (pages: typeof was) =>
      pages.map((page) =>
        page
          .map(({ text }) => text)
          .join("")
          .replaceAll(/\s/g, ""),
      );
    expect(letters(is)).toEqual(letters(was));
    for (const [n, page] of is.entries()) {
      const tree = await (await pdf.getPage(n + 1)).getStructTree();
      const ids = JSON.stringify(tree);
      expect(page.length).toBeGreaterThan(10);
      for (const { text, mark } of page) expect(ids, `${text} on page ${n + 1}`).toContain(`"${mark}"`);
    }
  });
  it("has a paragraph for each thing it says, whole where it runs over lines", async () => {
    const [texts = []] = await textsOf(pdf);
    const tree = await (await pdf.getPage(1)).getStructTree();
    const paragraphs = (tree?.children ?? [])
      .flatMap((node) => ("children" in node && node.role === "Document" ? node.children : [node]))
      .map((node) => JSON.stringify(node));
    const said = paragraphs.map((node) =>
      texts
        .filter(({ mark }) => node.includes(`"${mark}"`))
        .map(({ text }) => text)
        .join(" "),
    );
    expect(said).toContain("Begun");
    expect(said).toContainEqual(
      expect.stringMatching(/^Representative, not confirmed .* came with the part\.$/),
    );
    expect(said).toContainEqual(expect.stringMatching(/^\d{4}-\d\d-\d\d \d\d:\d\d UTC$/));
  });
  it("has every face it is set in inside it, drawings too", async () => {
    const document = await PDFDocument.load(await tagged(plain));
    const fonts = document.context
      .enumerateIndirectObjects()
      .flatMap(([, object]) =>
        object instanceof PDFDict && object.get(PDFName.of("Type")) === PDFName.of("Font")
          ? [String(object.get(PDFName.of("Subtype")))]
          : [],
      );
    // A face of the reader's own would be of type 1, without a file.
    expect(new Set(fonts)).toEqual(new Set(["/Type0", "/CIDFontType2"]));
  });
  it("is marked as tagged, in English, and shows its title", async () => {
    expect(await pdf.getMarkInfo()).toMatchObject({ Marked: true });
    const { info } = await pdf.getMetadata();
    expect(info).toMatchObject({ Language: "en", Title: "Arlent records" });
  });
});

describe("the content of a page", () => {
  it("has its texts as paragraphs in order, its drawings as no part of the text, and is otherwise as it was", () => {
    const run = (text: string) => ["q", "BT", `(${text}) Tj`, "ET", "Q"];
    const line = (...runs: readonly string[]) => ["q", ...runs.flatMap(run), "Q"];
    const content = [
      ...["q", "1 0 0 1 0 0 cm", "0 0 m", "9 9 l", "S"],
      ...["q", ...line("a", "b"), ...line("c"), "Q"],
      ...["q", ...line("d"), "Q", "Q"],
    ];
    const { content: marked, paragraphs } = markedContent(content.join("\n"));
    // Two lines of one paragraph, the first of two runs; then another paragraph.
    expect(paragraphs).toEqual([[0, 1, 2], [3]]);
    const lines = marked.split("\n");
    expect(lines.slice(0, 7)).toEqual(["q", "1 0 0 1 0 0 cm", "/Artifact BMC", "0 0 m", "9 9 l", "S", "EMC"]);
    expect(lines.slice(9, 15)).toEqual(["q", "/P <</MCID 0>> BDC", "BT", "(a) Tj", "ET", "EMC"]);
    const unmarked = lines.filter((each) => !/ (BDC|BMC)$|^EMC$/.test(each));
    expect(unmarked).toEqual(content);
  });
});
