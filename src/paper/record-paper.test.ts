import { randomUUID } from "node:crypto";
import { describe, expect, it } from "vitest";
import {
  advise,
  check,
  drawnEnd,
  type EventInput,
  endState,
  restartEvent,
  reworkEvent,
  zAddInside,
  zStart,
} from "@/core";
import { CALLIPER, GUARDED } from "@/core/advice/fixtures/ends";
import { actOn } from "@/service/act";
import { addEvents, getEnd, startEnd } from "@/service/end/ends";
import { endRecord, recordJson } from "@/service/end/record";
import { codeOf } from "@/service/fixtures/code-of";
import { openStore } from "@/store/opening/open";
import { printRecords } from "@/worker/paper-beside";
import { pdfPages } from "./fixtures/pdf-pages";
import { pagesPdf, recordsPdf } from "./record-paper";
import { unprintable } from "./scripts";

const store = openStore(":memory:");
const WEDGE = { cable: "simplex-3.0", procedure: "stub-wedge-release-cord", core: "9/125" };
const add = (id: string, ...events: EventInput[]) =>
  addEvents(
    actOn(store),
    id,
    check(zAddInside, {
      client: "test",
      after: getEnd(store, id).events.at(-1)?.seq ?? 0,
      events: events.map((event) => ({ id: randomUUID(), event })),
    }),
  );

/** An end redone once for a short cleave and begun again once for a part, by the server's own rules. */
function redone(label: string): string {
  const { id } = startEnd(actOn(store), check(zStart, WEDGE));
  const { sheet } = getEnd(store, id);
  const at = (step: string) => sheet.lines.findIndex((line) => line.step.id === step);
  add(
    id,
    { kind: "label", job: "Pad 7 feeder", label },
    ...sheet.parts.map(({ id: part }): EventInput => ({ kind: "thread", part, on: true })),
    { kind: "step", to: at("measure") },
    { kind: "reading", check: "cleave", value: 8_100, typed: "8.1", unit: "mm", instrument: CALLIPER },
  );
  const [advice] = advise(sheet, endState(getEnd(store, id).events), GUARDED);
  if (advice?.kind !== "rework") throw new Error("no advice");
  add(id, reworkEvent(advice, "recommended"));
  add(id, { kind: "step", to: at("boot") }, { kind: "thread", part: "boot-3", on: false });
  add(id, restartEvent(sheet, "boot-3"));
  return id;
}

const textOf = async (pdf: Buffer) => (await pdfPages(pdf)).join(" ");

const printed = (id: string) =>
  recordsPdf([recordJson(endRecord(store, id))], new Map(), new Map([[id, getEnd(store, id).sheet]]));

describe("a record on paper", () => {
  it("draws the end with its figures, and says why each redo was and what it took", async () => {
    const text = await textOf(await printed(redone("fibre 3, orange")));
    for (const figure of ["27.5", "37.0", "48.5", "65.0", "228.0"]) expect(text).toContain(figure);
    expect(text).toContain("SC");
    expect(text).toMatch(/for cleave length, the recommended way/);
    expect(text).toMatch(/for 3 mm boot not on: cut off and begun again\. 72 millimetres of cable/);
    expect(text).toContain("single-mode 9/125");
  });
  it("sets names in the usual scripts of Europe and Vietnam", async () => {
    const name = "Łódź, Šárka, Ελένη, Оксана, Nguyễn Thị Hoa";
    expect(unprintable(name)).toEqual([]);
    const text = await textOf(await printed(redone(name)));
    // What is set in two faces comes apart as it is read out again.
    const letters = text.replaceAll(" ", "");
    for (const first of ["Łódź", "Ελένη", "Оксана", "Nguyễn", "Thị"]) expect(letters).toContain(first);
  });
  it("refuses before printing a name no face here can set, and says which letters and what to do", async () => {
    const id = redone("光ファイバ");
    expect(unprintable("a光b光")).toEqual(["光"]);
    const failure = await printed(id).catch((error: Error) => error);
    expect(
      codeOf(() => {
        throw failure;
      }),
    ).toBe("script");
    expect(String((failure as Error).message)).toMatch(/“光”.*Print the record's page from the browser/);
  });
});

describe("records set beside everything else", () => {
  async function* coming(ids: readonly string[], trouble?: Error) {
    for (const id of ids)
      yield {
        record: recordJson(endRecord(store, id)),
        sheet: getEnd(store, id).sheet,
        photos: new Map(),
        form: "log" as const,
      };
    if (trouble) throw trouble;
  }
  it("are all of them on it, each with its own end drawn, as they came", async () => {
    const [first, two] = [redone("fibre 5, slate"), redone("fibre 6, white")];
    const text = await textOf(Buffer.from(await printRecords(coming([first, two]))));
    for (const reported of ["fibre 5, slate", "fibre 6, white", `End ${first}`, `End ${two}`])
      expect(text).toContain(reported);
  });
  it("are forgotten where they stop coming, and the next have nothing of them", async () => {
    const [lost, next] = [redone("fibre 7, red"), redone("fibre 8, black")];
    await expect(printRecords(coming([lost], new Error("the record is torn")))).rejects.toThrow("torn");
    const text = await textOf(Buffer.from(await printRecords(coming([next]))));
    expect(text).toContain("fibre 8, black");
    expect(text).not.toContain("fibre 7, red");
  });
});

describe("the record of an end on one page", () => {
  it("has what it came to, who made it, whose figures, and the figure to check it by, on one page and no second", async () => {
    const id = redone("fibre 9, yellow");
    const record = recordJson(endRecord(store, id));
    const { sheet, events, rule } = getEnd(store, id);
    const bytes = await pagesPdf(
      [record],
      new Map(),
      new Map([[id, drawnEnd(sheet, endState(events), rule).sheet]]),
    );
    const pages = await pdfPages(bytes);
    expect(pages).toHaveLength(1);
    const text = pages.join(" ");
    for (const reported of [
      "fibre 9, yellow",
      record.style.name,
      record.hash,
      record.lengths[0]?.name ?? "?",
    ])
      expect(text).toContain(reported);
  });
  it("carries every font it is set in: none is left to the reader's machine", async () => {
    const record = recordJson(endRecord(store, redone("fibre 10, violet, Łąka")));
    const file = (await pagesPdf([record], new Map(), new Map())).toString("latin1");
    const faces = file.match(/\/Type \/Font\b[^>]*\/Subtype \/(?!Type0)\w+/g) ?? [];
    expect(faces.length).toBeGreaterThan(1);
    expect(file.match(/\/FontFile[23]? /g)?.length).toBe(file.match(/\/Type \/FontDescriptor/g)?.length);
    // What a reader brings by itself has no description in the file (ISO 32000-1, 9.6.2.2).
    expect(faces.filter((face) => /\/Subtype \/Type1\b/.test(face))).toEqual([]);
  });
});
