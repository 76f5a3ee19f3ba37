import type { LightReading } from "./light-reading";

/** Why a reference is not used any more. */
export type StaleReference = "old" | "worn" | "warmed" | "later";

/** Common practice, no source: a reference is of one working day, and of so many matings of its cord. */
const HOURS = 8;
const MATINGS = 50;
/** Common practice, no source: a source drifts with its own temperature. */
const CELSIUS = 10;

type ReadWith = Pick<LightReading, "read" | "reference" | "matings" | "celsius">;

/**
 * Why the reference of a reading is stale: it is of another day or later than the reading, its cord was mated too often since,
 * or it was taken in another temperature; null where it stands.
 * @example referenceTrouble({ read: "2026-11-25T20:00:00Z", reference: { taken: "2026-11-25T08:00:00Z", celsius: null }, matings: 0, celsius: null })
 * // "old"
 */
export function referenceTrouble({
  read,
  reference,
  matings,
  celsius,
}: Omit<ReadWith, "reference"> & {
  readonly reference: Pick<LightReading["reference"], "taken" | "celsius">;
}): StaleReference | null {
  const hours = (Date.parse(read) - Date.parse(reference.taken)) / 3_600_000;
  if (hours < 0) return "later";
  if (hours > HOURS) return "old";
  if (matings >= MATINGS) return "worn";
  const isWarmed =
    celsius !== null && reference.celsius !== null && Math.abs(celsius - reference.celsius) > CELSIUS;
  return isWarmed ? "warmed" : null;
}

/** A reference with how often its cord was mated since. */
interface CountedReference {
  readonly reference: LightReading["reference"];
  readonly matings: number;
}

/**
 * The newest reference of a source, cord and wavelength: the one in hand, or a later one that another device has shared. Of
 * the same reference the larger count of matings holds.
 * @example newestReference({ reference: lightRead.reference, matings: 2 }, [{ reference: lightRead.reference, matings: 5 }]).matings // 5
 */
export function newestReference(
  held: CountedReference,
  shared: readonly CountedReference[],
): CountedReference {
  const { wavelength, source, cord } = held.reference;
  return shared
    .filter(
      ({ reference }) =>
        reference.wavelength === wavelength && reference.source === source && reference.cord === cord,
    )
    .reduce((newest, { reference, matings }) => {
      const [own, other] = [Date.parse(newest.reference.taken), Date.parse(reference.taken)];
      if (other < own) return newest;
      return { reference, matings: other > own ? matings : Math.max(matings, newest.matings) };
    }, held);
}

/**
 * Powers as they are typed, dBm: several with blanks or semicolons between, either decimal sign, either minus.
 * @returns null where that cannot be read.
 * @example readPowers("-20,14 −20.2") // [-20.14, -20.2]
 */
export function readPowers(text: string): number[] | null {
  const parts = text
    .trim()
    .replaceAll("−", "-")
    .split(/[\s;]+/)
    .filter(Boolean);
  const powers = parts.map((part) =>
    /^[+-]?\d{1,3}([.,]\d{1,3})?$/.test(part) ? Number(part.replace(",", ".")) : Number.NaN,
  );
  return parts.length > 0 && parts.length <= 30 && powers.every((power) => Math.abs(power) <= 100)
    ? powers
    : null;
}
