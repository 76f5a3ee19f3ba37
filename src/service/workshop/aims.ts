import type { z } from "zod";
import { type Aim, aimOf, FEWEST_ENDS, type LengthAim, personBy, um, type zAimQuery } from "@/core";
import type { Store } from "@/store/database/store";
import { firstReadingsBy } from "@/store/record/ends";
import { allPeople } from "@/store/workshop/people";

/** The most ends looked back over: what somebody did long ago says little of today. */
const LOOK_BACK = 200;

type AimGroup = Omit<LengthAim, keyof Aim | "values"> & { values: number[] };

/**
 * How a person aims, length by length and tool by tool, from the first readings of the ends they signed: before
 * anything was redone, since what was redone was made with the first reading in mind. Readings of a simulated end say
 * nothing of a hand.
 */
export const aimsOf = (store: Store, query: z.output<typeof zAimQuery>): LengthAim[] =>
  firstReadings(store, query).flatMap((group) => {
    const aim = aimOf(group.values, group);
    return aim ? [{ ...group, ...aim }] : [];
  });

/** Lengths somebody has made too few ends of for an aim, most ends first. */
export const aimsPending = (store: Store, query: z.output<typeof zAimQuery>) =>
  firstReadings(store, query)
    .filter(({ values }) => values.length < FEWEST_ENDS)
    .map(({ values, ...group }) => ({ ...group, n: values.length, needed: FEWEST_ENDS }))
    .sort((a, b) => b.n - a.n);

/** The first readings of somebody's ends, length by length and tool by tool. */
function firstReadings(store: Store, { person, style }: z.output<typeof zAimQuery>): AimGroup[] {
  const groups = new Map<string, AimGroup>();
  const ids = personBy(allPeople(store), person)?.ids ?? [];
  if (ids.length === 0) return [];
  for (const firstReading of firstReadingsBy(store, ids, style, LOOK_BACK)) {
    const { makes, tool, firstMean, ...length } = firstReading;
    if (makes === null || tool === null || firstMean === null) continue;
    const { dimension, nominal, min, max } = length;
    const key = JSON.stringify([length.style, dimension, tool, nominal, min, max]);
    const group = groups.get(key) ?? {
      ...length,
      nominal: um(nominal),
      min: min === null ? null : um(min),
      max: max === null ? null : um(max),
      makes,
      tool,
      values: [],
    };
    group.values.push(firstMean);
    groups.set(key, group);
  }
  return [...groups.values()];
}
