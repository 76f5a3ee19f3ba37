import { describe, expect, it } from "vitest";
import { sheetDocument, zRunSheet } from "./document";
import { shippedSheets } from "./fixtures/shipped-sheets";

const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

describe("a run sheet as a document", () => {
  it.each(shippedSheets)("$name: reads back as it was compiled, to the micrometre", ({ sheet }) => {
    const written = plain(sheetDocument(sheet));
    expect(plain(zRunSheet.parse(written))).toEqual(plain(sheet));
  });
});
