import {
  decodePDFRawStream,
  PDFArray,
  PDFDocument,
  PDFName,
  PDFNumber,
  type PDFPage,
  PDFRawStream,
  type PDFRef,
} from "pdf-lib";

/** Operators that put something on the page (ISO 32000-1, 8.5.3, 8.8, 8.4.4); words begin none of their lines. */
const PAINTS = /(^|\s)(S|s|f|F|f\*|B|B\*|b|b\*|sh|Do)$/;
/** Lines a piece of marked content does not reach across. */
const BOUNDS = /^(q|Q)$|\s(cm|gs)$/;

/** Text objects of one paragraph share what stands this many saved states further out: its runs lie in lines, its lines in it. */
const WITHIN = 2;

/**
 * The content of a page with its text objects marked, in the order they are set, and what is only drawn marked as no part of
 * the text (ISO 32000-1, 14.6 and 14.8.2.2). The engines here write one operator a line, and each paragraph within a state
 * saved for it.
 * @returns the content, and the marks of each paragraph.
 */
export function markedContent(content: string): {
  readonly content: string;
  readonly paragraphs: readonly (readonly number[])[];
} {
  const marked: string[] = [];
  const paragraphs: number[][] = [];
  let drawn: string[] = [];
  let [inText, marks, depth, shared] = [false, 0, 0, -1];
  const close = () => {
    const paints = drawn.some((line) => PAINTS.test(line));
    marked.push(...(paints ? ["/Artifact BMC", ...drawn, "EMC"] : drawn));
    drawn = [];
  };
  const open = () => {
    const last = paragraphs.at(-1);
    if (last && shared >= depth - WITHIN) last.push(marks);
    else paragraphs.push([marks]);
    marked.push(`/P <</MCID ${marks}>> BDC`);
    marks += 1;
    shared = depth;
  };
  for (const line of content.split("\n")) {
    const word = line.trim();
    if (word === "BT") {
      close();
      open();
      marked.push(line);
      inText = true;
    } else if (word === "ET") {
      marked.push(line, "EMC");
      inText = false;
    } else if (inText) marked.push(line);
    else if (BOUNDS.test(word)) {
      close();
      marked.push(line);
      if (word === "q") depth += 1;
      if (word === "Q") depth -= 1;
      shared = Math.min(shared, depth);
    } else drawn.push(line);
  }
  close();
  return { content: marked.join("\n"), paragraphs };
}

/** What a page draws, its streams one after the other. */
function contentOf(page: PDFPage): string {
  const contents = page.node.Contents();
  const parts = contents instanceof PDFArray ? contents.asArray() : [contents];
  return parts
    .flatMap((part) => {
      const stream = page.doc.context.lookup(part);
      return stream instanceof PDFRawStream
        ? [Buffer.from(decodePDFRawStream(stream).decode()).toString("latin1")]
        : [];
    })
    .join("\n");
}

/**
 * A PDF with its text tagged for whoever has it read aloud: every paragraph in the document's tree, in reading order; drawings left out of it (ISO 32000-1, 14.7 and 14.8).
 */
export async function tagged(pdf: Uint8Array): Promise<Buffer> {
  const document = await PDFDocument.load(pdf, { updateMetadata: false });
  const { context, catalog } = document;
  const rootRef = context.nextRef();
  const bodyRef = context.nextRef();
  const all: PDFRef[] = [];
  const parents = context.obj([]);
  for (const [n, page] of document.getPages().entries()) {
    const { content, paragraphs } = markedContent(contentOf(page));
    const stream = context.flateStream(Buffer.from(content, "latin1"));
    page.node.set(PDFName.of("Contents"), context.register(stream));
    page.node.set(PDFName.of("StructParents"), PDFNumber.of(n));
    page.node.set(PDFName.of("Tabs"), PDFName.of("S"));
    const own = paragraphs.map((marks) =>
      context.register(context.obj({ Type: "StructElem", S: "P", P: bodyRef, Pg: page.ref, K: [...marks] })),
    );
    // Of each mark, the paragraph it belongs to.
    const ofMarks = paragraphs.flatMap((marks, i) => marks.flatMap(() => own[i] ?? []));
    parents.push(PDFNumber.of(n));
    parents.push(context.register(context.obj(ofMarks)));
    all.push(...own);
  }
  context.assign(bodyRef, context.obj({ Type: "StructElem", S: "Document", P: rootRef, K: all }));
  const tree = { Type: "StructTreeRoot", K: bodyRef, ParentTree: context.obj({ Nums: parents }) };
  context.assign(rootRef, context.obj(tree));
  catalog.set(PDFName.of("StructTreeRoot"), rootRef);
  catalog.set(PDFName.of("MarkInfo"), context.obj({ Marked: true }));
  catalog.set(PDFName.of("ViewerPreferences"), context.obj({ DisplayDocTitle: true }));
  return Buffer.from(await document.save());
}
