import { LRUCache } from "lru-cache";
import { InputError, type RunSheet, sheetDocument } from "@/core";
import { say } from "@/messages/service";
import { canonical } from "@/store/database/hash";
import type { Store } from "@/store/database/store";
import { keptSheet } from "@/store/record/documents";
import type { EndRow } from "@/store/record/ends";

const sheetTexts = new WeakMap<RunSheet, string>();

/** A sheet as it is kept; many ends of one sheet keep the same. */
export function sheetText(sheet: RunSheet): string {
  const text = sheetTexts.get(sheet) ?? canonical(sheetDocument(sheet));
  sheetTexts.set(sheet, text);
  return text;
}

const sheets = new LRUCache<string, RunSheet>({ max: 200 });

/**
 * The sheet an end is worked by, as it was kept when it began. Kept documents never change, so what they say is
 * remembered under their hashes.
 * @throws InputError `gone`, `newer`.
 */
export function sheetOf(store: Store, { sheetHash }: Pick<EndRow, "sheetHash">): RunSheet {
  if (sheetHash === null) throw new InputError("gone", say("the-sheet-of-this-end-could-not"), ["id"]);
  const runSheet = sheets.get(sheetHash);
  if (runSheet) return runSheet;
  const sheet = keptSheet(store, sheetHash);
  sheets.set(sheetHash, sheet);
  return sheet;
}
