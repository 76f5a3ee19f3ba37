import { z } from "zod";
import {
  type Aim,
  aimOf,
  type Check,
  check,
  isTakenBack,
  type LengthAim,
  type Recorded,
  type RunSheet,
  SIMULATED,
} from "@/core";
import type { Store } from "@/store/database";
import { entriesAfter, signedBy } from "@/store/ends";
import { sheetOf } from "./ends";

export const zAimQuery = z.strictObject({
  person: z.string().trim().min(1, "Whose aim?").max(120),
  style: z.string().max(80).optional(),
});

/** The most ends looked back over: what somebody did long ago says little of today. */
const LOOK_BACK = 200;

/**
 * How a person aims, length by length and tool by tool, from the first readings of the ends they signed: before
 * anything was redone, since what was redone was made with the first reading in mind. Readings of a simulated end say
 * nothing of a hand.
 */
export function aimsOf(store: Store, query: unknown): LengthAim[] {
  const { person, style } = check(zAimQuery, query);
  const groups = new Map<string, Omit<LengthAim, keyof Aim | "values"> & { values: number[] }>();
  for (const row of signedBy(store, person, style, LOOK_BACK).reverse()) {
    const { sheet } = sheetOf(store, row);
    for (const { check: length, mean } of firstReadings(sheet, entriesAfter(store, row.id))) {
      const laid = laidOffBy(sheet, length);
      if (!laid) continue;
      const { makes, tool } = laid;
      const { dimension, name, nominal, min, max } = length;
      const key = JSON.stringify([row.style, dimension, tool, nominal, min, max]);
      const group = groups.get(key) ?? {
        style: row.style,
        styleName: row.styleName,
        dimension,
        name,
        tool,
        makes,
        nominal,
        min,
        max,
        values: [],
      };
      group.values.push(mean);
      groups.set(key, group);
    }
  }
  return [...groups.values()].flatMap((group) => {
    const aim = aimOf(group.values, group);
    return aim ? [{ ...group, ...aim }] : [];
  });
}

/** Each length's first readings of an end, up to the first time anything was redone. */
function firstReadings(sheet: RunSheet, history: readonly Recorded[]): { check: Check; mean: number }[] {
  const redone = history.findIndex(
    ({ id, entry }) => (entry.kind === "redo" || entry.kind === "rework") && !isTakenBack(history, id),
  );
  const first = redone < 0 ? history : history.slice(0, redone);
  const struck = new Set(history.flatMap(({ entry }) => (entry.kind === "strike" ? [entry.reading] : [])));
  return sheet.checks.flatMap((length) => {
    const values = first.flatMap(({ id, entry }) =>
      entry.kind === "reading" &&
      entry.check === length.id &&
      entry.instrument.id !== SIMULATED.id &&
      !struck.has(id)
        ? [entry.value as number]
        : [],
    );
    return values.length > 0
      ? [{ check: length, mean: values.reduce((sum, value) => sum + value, 0) / values.length }]
      : [];
  });
}

/** The feature a length is laid off to and the tool that makes it; null where the length follows from others. */
function laidOffBy(sheet: RunSheet, { from, to }: Check): { makes: string; tool: string } | null {
  const at = (id: string) => {
    const feature = sheet.features.find((one) => one.id === id);
    return feature?.cutAt ?? feature?.madeAt ?? -1;
  };
  const [makes, datum] = at(from) > at(to) ? [from, to] : [to, from];
  const figure = sheet.lines.find((line) => line.figure?.feature === makes)?.figure;
  const step = sheet.lines[at(makes)]?.step;
  const tool = step && "tool" in step ? step.tool : undefined;
  return figure?.own.datum === datum && tool !== undefined ? { makes, tool } : null;
}
