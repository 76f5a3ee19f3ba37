import { randomUUID } from "node:crypto";
import { beforeEach, describe, expect, it } from "vitest";
import { check, personNamed, zAddInside, zMerge, zNewPerson, zRename } from "@/core";
import type { Store } from "@/store/database/store";
import { openStore } from "@/store/opening/open";
import { actOn } from "../act";
import { addEvents } from "../end/ends";
import { endRecord } from "../end/record";
import { codeOf } from "../fixtures/code-of";
import { endRead } from "../fixtures/made-ends";
import { signers } from "../ledger/ledger";
import { addPerson, mergePerson, people, renamePerson } from "./people";

let store: Store;
beforeEach(() => {
  store = openStore(":memory:");
});
const come = (name: string): string => {
  addPerson(actOn(store), check(zNewPerson, { name }));
  return personNamed(people(store), name)?.id ?? "";
};
/** An end signed off under a name, on a device in somebody's hands. */
const signed = (name: string, by: string | null): string => {
  const id = endRead(store, "measure");
  addEvents(
    { ...actOn(store), actor: by },
    id,
    check(zAddInside, {
      client: "x",
      after: 9_999,
      events: [{ id: randomUUID(), event: { kind: "sign", name, outcome: "kept" } }],
    }),
  );
  return id;
};

describe("who signs", () => {
  it("is who goes by the name that was signed, whoever's hands the device was in", () => {
    const wyn = come("Wyn Harrow");
    const osla = come("Osla Brandt");
    expect(endRecord(store, signed("Osla Brandt", wyn)).signed).toMatchObject({ person: osla });
    expect(endRecord(store, signed("Wyn Harrow", null)).signed).toMatchObject({ person: wyn });
  });
  it("is somebody who came, where nobody goes by that name yet, and once", () => {
    const wyn = come("Wyn Harrow");
    for (const _ of [1, 2]) signed("Teo Marsh", wyn);
    expect(signers(store).map(({ name }) => name)).toEqual(["Teo Marsh"]);
    expect(people(store)).toHaveLength(2);
  });
});

describe("people", () => {
  it("renamed keep what they signed under the name of its day, and are called otherwise now", () => {
    const wyn = come("Wyn Harrow");
    const end = signed("Wyn Harrow", wyn);
    renamePerson(actOn(store), wyn, check(zRename, { name: "Wyn Harrow-Lund" }));
    expect(endRecord(store, end).signed).toMatchObject({
      name: "Wyn Harrow",
      called: "Wyn Harrow-Lund",
      person: wyn,
    });
  });
  it("merged are one from then on, with all either did", () => {
    const [first, other] = [come("Wyn Harrow"), come("W. Harrow")];
    const ends = [signed("Wyn Harrow", first), signed("W. Harrow", other)];
    mergePerson(actOn(store), other, check(zMerge, { into: first }));
    expect(people(store)).toMatchObject([{ id: first, formerly: ["W. Harrow"], ids: [first, other] }]);
    expect(ends.map((id) => endRecord(store, id).signed?.person)).toEqual([first, first]);
    expect(signers(store)).toHaveLength(1);
  });
  it("are refused a name somebody has, and a merge with nobody or with themselves", () => {
    const wyn = come("Wyn Harrow");
    expect(codeOf(() => addPerson(actOn(store), check(zNewPerson, { name: " Wyn Harrow " })))).toBe(
      "name-taken",
    );
    expect(codeOf(() => mergePerson(actOn(store), wyn, check(zMerge, { into: wyn })))).toBe("unknown-person");
    expect(codeOf(() => mergePerson(actOn(store), randomUUID(), check(zMerge, { into: wyn })))).toBe(
      "unknown-person",
    );
    expect(codeOf(() => signed("Wyn Harrow", randomUUID()))).toBe("unknown-person");
  });
});
