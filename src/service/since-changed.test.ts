import { beforeEach, expect, it } from "vitest";
import type { Store } from "@/store/database/store";
import { inTransaction } from "@/store/database/transaction";
import { openStore } from "@/store/opening/open";
import { addTo, endRead } from "./fixtures/made-ends";
import { sinceChanged } from "./since-changed";

let store: Store;
beforeEach(() => {
  store = openStore(":memory:");
});

it("is worked out once a key until an end is begun or signed, and of each record by itself", () => {
  const requested: string[] = [];
  const report = sinceChanged((_: Store, key: string) => {
    requested.push(key);
    return requested.length;
  });
  expect([report(store, "a"), report(store, "a"), report(store, "b")]).toEqual([1, 1, 2]);
  const end = endRead(store, "measure");
  expect([report(store, "a"), report(store, "a")]).toEqual([3, 3]);
  // A reading changes nothing of how an end stands.
  addTo(store, end, { kind: "label", job: "Moor", label: "one" });
  expect(report(store, "a")).toBe(3);
  addTo(store, end, { kind: "sign", name: "Wyn", outcome: "cut-off" });
  expect(report(store, "a")).toBe(4);
  expect(report(openStore(":memory:"), "a")).toBe(5);
  expect(() =>
    inTransaction(store, () => {
      endRead(store, "measure");
      expect(report(store, "a")).toBe(6);
      throw new Error("taken back");
    }),
  ).toThrow("taken back");
  endRead(store, "measure");
  expect(report(store, "a")).toBe(7);
});
