import { randomUUID } from "node:crypto";
import { beforeEach, describe, expect, it } from "vitest";
import {
  asWritten,
  check,
  figuresToConfirm,
  mustHoldAt,
  type ProcedureDocument,
  recordOf,
  resolved,
  withDefaults,
  zConfirm,
  zNewPerson,
  zPutAway,
  zRecord,
  zRename,
  zRestore,
  zSave,
  zStart,
} from "@/core";
import type { Store } from "@/store/database/store";
import { openStore } from "@/store/opening/open";
import { actOn } from "../act";
import { addPerson, renamePerson } from "../crew/people";
import { getEnd, startEnd } from "../end/ends";
import { codeOf } from "../fixtures/code-of";
import { recordsCsv } from "../ledger/record-csv";
import { library } from "./library";
import { confirmFigures, documentText, putAway, restoreRevision, revisionsOf, saveDocument } from "./shelf";

let store: Store;
beforeEach(() => {
  store = openStore(":memory:");
});
const CAM = "stub-cam-crimp-900";
const shipped = (id = CAM) => JSON.parse(documentText(store, "procedure", id)) as ProcedureDocument;
const save = (document: object, basis: number | null) =>
  saveDocument(actOn(store), "procedure", check(zSave, { document, basis }));
const onShelf = (id = CAM) => library(store).procedures.find((procedure) => procedure.id === id);
const keptBody = (hash: string) =>
  store.$client.prepare("SELECT body FROM documents WHERE hash = ?").pluck().get(hash);
const renamed = (name: string) => ({ ...shipped(), name });

describe("a procedure of one's own, kept by version 1 of the schema", () => {
  it("is read, written on and handed out in today's words; what is kept of it stays as it was", () => {
    const { revision, ...rest } = shipped();
    const body = JSON.stringify({ ...rest, revision: revision + 1 }).replaceAll(
      '"retries":[{"rule"',
      '"redo":[{"rule"',
    );
    expect(body).toContain('"redo"');
    const hash = "of version 1";
    store.$client
      .prepare("INSERT INTO documents (hash, kind, body, v) VALUES (?, 'procedure', ?, 1)")
      .run(hash, body);
    store.$client
      .prepare(
        "INSERT INTO shelf (kind, document, revision, hash, at, by, why) VALUES ('procedure', ?, ?, ?, '', '', '')",
      )
      .run(CAM, revision + 1, hash);
    expect(onShelf()?.steps).toEqual(
      library(openStore(":memory:")).procedures.find(({ id }) => id === CAM)?.steps,
    );
    expect(documentText(store, "procedure", CAM)).not.toContain('"redo"');
    save({ ...shipped(), name: "Gone on" }, revision + 1);
    expect(onShelf()).toMatchObject({ name: "Gone on", revision: revision + 2 });
    expect(keptBody(hash)).toBe(body);
  });
  it("is taken from a file that an older Arlent wrote", () => {
    const { revision, ...document } = shipped();
    const older = JSON.parse(JSON.stringify(document).replaceAll('"retries":[{"rule"', '"redo":[{"rule"'));
    save({ ...older, name: "Of an older Arlent" }, revision);
    expect(documentText(store, "procedure", CAM)).not.toContain('"redo"');
  });
});

describe("saving a procedure", () => {
  it("keeps the next revision, the user's own, in place of the shipped one", () => {
    const { revision } = shipped();
    expect(save(renamed("Ours"), revision)).toEqual({ id: CAM, revision: revision + 1 });
    expect(onShelf()).toMatchObject({ name: "Ours", revision: revision + 1, source: { kind: "own" } });
    expect(revisionsOf(store, "procedure", CAM).map(({ origin }) => origin)).toEqual(["own", "shipped"]);
  });
  it("says who made it by the name they go by that day; nobody unknown makes one", () => {
    const { revision } = shipped();
    const osla = randomUUID();
    addPerson(actOn(store), check(zNewPerson, { id: osla, name: "Osla Brandt" }));
    const by = (actor: string) =>
      saveDocument(
        { ...actOn(store), actor },
        "procedure",
        check(zSave, { document: renamed("Ours"), basis: revision }),
      );
    expect(codeOf(() => by(randomUUID()))).toBe("unknown-person");
    by(osla);
    renamePerson(actOn(store), osla, check(zRename, { name: "Osla Brandt-Lund" }));
    expect(revisionsOf(store, "procedure", CAM)[0]).toMatchObject({ by: "Osla Brandt" });
  });
  it("leaves figures nobody touched representative, and takes those that were changed as the user's", () => {
    const document = shipped();
    const [first, ...rest] = document.dimensions;
    if (!first) throw new Error("it has lengths");
    save({ ...document, dimensions: [{ ...first, nominal: first.nominal + 1 }, ...rest] }, document.revision);
    expect(onShelf()?.confirmed).toEqual([first.id]);
  });
  it("that says what its last revision says is refused, by whatever way it comes, and nothing is kept", () => {
    const { revision } = shipped();
    const again = (basis: number) =>
      codeOf(() => save(JSON.parse(documentText(store, "procedure", CAM)), basis));
    expect(again(revision)).toBe("unchanged");
    save(renamed("Ours"), revision);
    expect(again(revision + 1)).toBe("unchanged");
    expect(revisionsOf(store, "procedure", CAM)).toHaveLength(2);
    putAway(actOn(store), "procedure", CAM, check(zPutAway, { basis: revision + 1 }));
    save(shipped(), revision + 2);
    expect(onShelf()).toMatchObject({ name: shipped().name, revision: revision + 3 });
  });
  it("two people at once: the second is told, and nothing is written over", () => {
    const { revision } = shipped();
    save(renamed("Osla's"), revision);
    expect(codeOf(() => save(renamed("Teo's"), revision))).toBe("moved-on");
    expect(onShelf()?.name).toBe("Osla's");
  });
  it("a new one needs an id of its own, and is there beside the shipped ones", () => {
    expect(codeOf(() => save(shipped(), null))).toBe("id-taken");
    save({ ...shipped(), id: "hut-stub", name: "Hut stub" }, null);
    expect(onShelf("hut-stub")).toMatchObject({ revision: 1, name: "Hut stub" });
    expect(
      startEnd(
        actOn(store),
        check(zStart, { cable: "distribution-900", procedure: "hut-stub", core: "9/125" }),
      ).id,
    ).toMatch(/-/);
  });
  it.each<[string, (document: ProcedureDocument) => object]>([
    ["bad-input", (document) => ({ ...document, name: 7 })],
    ["unknown-field", (document) => ({ ...document, colour: "red" })],
    [
      "unknown-tool",
      (document) => ({
        ...document,
        steps: document.steps.map((step) => ("tool" in step ? { ...step, tool: "teeth" } : step)),
      }),
    ],
    [
      "unknown-caution",
      (document) => ({ ...document, steps: document.steps.map((step) => ({ ...step, cautions: ["fate"] })) }),
    ],
    [
      "contradiction",
      (document) => {
        const [first] = document.dimensions;
        if (!first) throw new Error("it has lengths");
        return {
          ...document,
          dimensions: [
            ...document.dimensions,
            { ...first, id: "again", nominal: first.nominal + 50, notRead: "a second print" },
          ],
        };
      },
    ],
  ])("refused as %s, it leaves the shelf as it was", (code, change) => {
    const { revision } = shipped();
    expect(codeOf(() => save(change(shipped()), revision))).toBe(code);
    expect(onShelf()?.revision).toBe(revision);
    expect(revisionsOf(store, "procedure", CAM)).toHaveLength(1);
  });
});

describe("a revision", () => {
  it("put away brings the shipped one back; putting away is undone by restoring", () => {
    const { revision } = shipped();
    save(renamed("Ours"), revision);
    putAway(actOn(store), "procedure", CAM, check(zPutAway, { basis: revision + 1 }));
    expect(onShelf()?.revision).toBe(revision);
    restoreRevision(
      actOn(store),
      "procedure",
      CAM,
      check(zRestore, { basis: revision + 2, restore: revision + 1 }),
    );
    expect(onShelf()).toMatchObject({ name: "Ours", revision: revision + 3 });
  });
  it("restored from the shipped one is representative again", () => {
    const { revision } = shipped();
    save(renamed("Ours"), revision);
    restoreRevision(
      actOn(store),
      "procedure",
      CAM,
      check(zRestore, { basis: revision + 1, restore: revision }),
    );
    expect(onShelf()?.source.kind).toBe("representative");
  });
  it("that was shipped cannot be put away", () => {
    expect(codeOf(() => putAway(actOn(store), "procedure", CAM, check(zPutAway, { basis: 1 })))).toBe(
      "not-found",
    );
  });
  it("is refused where its steps cannot be done in their order, and nothing is kept", () => {
    const { revision, steps, ...rest } = shipped();
    const at = steps.findIndex(({ kind }) => kind === "cleave");
    const cleave = steps.filter((_, i) => i === at);
    const bare = steps.findIndex((step) => step.kind === "remove" && step.layers.includes("coating"));
    const early = [
      ...steps.slice(0, bare),
      ...cleave,
      ...steps.slice(bare).filter((_, i) => i + bare !== at),
    ];
    expect(codeOf(() => save({ ...rest, steps: early, revision, name: "Ours" }, revision))).toBe(
      "contradiction",
    );
    expect(onShelf()?.name).toBe(shipped().name);
  });
  it("stays to be read, and the database refuses to change or drop it", () => {
    const { revision } = shipped();
    save(renamed("Ours"), revision);
    expect(JSON.parse(documentText(store, "procedure", CAM, revision))).toMatchObject({ revision });
    for (const sql of ["UPDATE shelf SET by = 'x'", "DELETE FROM shelf"]) {
      let cause = "";
      try {
        store.run(sql);
      } catch (error) {
        cause = String((error as Error).cause);
      }
      expect(cause).toMatch(/only ever added/);
    }
  });
});

describe("figures checked against the part's sheet", () => {
  const input = (figures: object[], basis = shipped().revision) => ({
    basis,
    cable: "distribution-900",
    core: "9/125",
    name: "Osla Brandt",
    sheet: "Q-114",
    figures,
  });
  it("say who held them against which sheet, and which were passed over as shown", () => {
    const { cables, procedures } = library(store);
    const procedure = mustHoldAt(
      procedures.filter(({ id }) => id === CAM),
      0,
    );
    const cable = mustHoldAt(
      cables.filter(({ id }) => id === "distribution-900"),
      0,
    );
    const shown = figuresToConfirm(
      resolved(procedure, cable, { core: "9/125", choices: withDefaults(procedure, {}) }),
    );
    const { key, value, plus, minus } = mustHoldAt(
      shown.filter(({ name }) => name === "cleaved end to reference mark"),
      0,
    );
    confirmFigures(
      actOn(store),
      CAM,
      check(
        zConfirm,
        input([
          { key, value, plus, minus },
          { key: "cleave", value: 9.1, plus: 0.3, minus: 0.3 },
        ]),
      ),
    );
    expect(onShelf()?.source.note).toBe(
      "Confirmed by Osla Brandt against sheet Q-114: 1 as shown; changed: cleave length.",
    );
    expect(onShelf()?.confirmations).toMatchObject([
      { key, by: "Osla Brandt", sheet: "Q-114", asShown: true },
      { key: "cleave", by: "Osla Brandt", sheet: "Q-114", asShown: false },
    ]);
    const { id } = startEnd(actOn(store), check(zStart, { cable: cable.id, procedure: CAM, core: "9/125" }));
    const record = recordOf(getEnd(store, id));
    const asShown = [...record.lengths, ...record.figures].filter(
      ({ confirmation }) => confirmation?.asShown,
    );
    expect(asShown.length).toBeGreaterThan(0);
    for (const { confirmation, representative } of asShown)
      expect([confirmation?.by, confirmation?.sheet, representative]).toEqual([
        "Osla Brandt",
        "Q-114",
        false,
      ]);
    const rows = recordsCsv([asWritten(zRecord, record)]);
    expect(rows).toContain("confirmed as shown,Osla Brandt,Q-114");
  });
  it.each([
    ["nobody named", { name: "" }, "bad-input"],
    ["no word of the sheet's number", { sheet: undefined }, "bad-input"],
    ["a number that is blank", { sheet: "  " }, "bad-input"],
  ])("are refused with %s, and nothing is kept", (_what, change, code) => {
    const said = { ...input([{ key: "cleave", value: 9.1, plus: 0.3, minus: 0.3 }]), ...change };
    expect(codeOf(() => confirmFigures(actOn(store), CAM, check(zConfirm, said)))).toBe(code);
    expect(onShelf()?.revision).toBe(shipped().revision);
  });
  it("may be of a sheet with no number on it", () => {
    confirmFigures(
      actOn(store),
      CAM,
      check(zConfirm, { ...input([{ key: "cleave", value: 9.1 }]), sheet: null }),
    );
    expect(onShelf()?.source.note).toContain("a sheet with no number on it");
  });
  it("are kept as a revision of the user's own; an end started now is made by them", () => {
    confirmFigures(
      actOn(store),
      CAM,
      check(zConfirm, input([{ key: "cleave", value: 9.1, plus: 0.3, minus: 0.3 }])),
    );
    const cleave = onShelf()?.dimensions.find(({ id }) => id === "cleave");
    expect(cleave).toMatchObject({ nominal: 9_100, plus: 300 });
    expect(onShelf()).toMatchObject({ source: { kind: "own" }, confirmed: ["cleave"] });
  });
  it("that would put a mark in front of the cable end are refused", () => {
    const [first] = shipped().dimensions;
    expect(
      codeOf(() =>
        confirmFigures(actOn(store), CAM, check(zConfirm, input([{ key: first?.id, value: -40 }]))),
      ),
    ).toBe("off-cable");
    expect(onShelf()?.source.kind).toBe("representative");
  });
  it("that are not of this procedure are refused", () => {
    expect(
      codeOf(() => confirmFigures(actOn(store), CAM, check(zConfirm, input([{ key: "moon", value: 1 }])))),
    ).toBe("unknown-figure");
  });
  it("a sheet drawn before them starts no end", () => {
    const drawn = shipped().revision;
    confirmFigures(
      actOn(store),
      CAM,
      check(zConfirm, input([{ key: "cleave", value: 9.1, plus: 0.3, minus: 0.3 }])),
    );
    const start = { cable: "distribution-900", procedure: CAM, core: "9/125", revision: drawn };
    expect(codeOf(() => startEnd(actOn(store), check(zStart, start)))).toBe("moved-on");
    expect(codeOf(() => startEnd(actOn(store), check(zStart, { ...start, revision: drawn + 1 })))).toBe(
      "taken",
    );
  });
});

describe("a cable of the user's own", () => {
  it("is on the shelf once saved, marked as theirs", () => {
    const cord = JSON.parse(documentText(store, "cable", "simplex-2.0"));
    saveDocument(
      actOn(store),
      "cable",
      check(zSave, {
        document: { ...cord, id: "hut-cord", name: "Hut cord" },
        basis: null,
      }),
    );
    expect(library(store).cables.find(({ id }) => id === "hut-cord")).toMatchObject({
      name: "Hut cord",
      source: { kind: "own" },
    });
  });
  it("is theirs once a shipped one is kept as it is, and no further revision comes of keeping it again", () => {
    const keep = (basis: number) => {
      const document = JSON.parse(documentText(store, "cable", "simplex-2.0"));
      return saveDocument(actOn(store), "cable", check(zSave, { document, basis }));
    };
    const before = library(store).cables.find(({ id }) => id === "simplex-2.0")?.revision ?? 0;
    expect(keep(before)).toMatchObject({ revision: before + 1 });
    expect(codeOf(() => keep(before + 1))).toBe("unchanged");
  });
});
