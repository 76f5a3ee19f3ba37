import {
  judgeLight,
  type LightReading,
  type LightRow,
  type Rule,
  referenceTrouble,
  usualLimit,
  type Wavelength,
} from "@/core";
import { t } from "@/messages/light-file";
import { limitName } from "../light/use-light-draft";
import type { HeldReference } from "../light/use-references";

interface EndNamed {
  readonly id: string;
  readonly job: string;
  readonly label: string;
  readonly piece: string;
  readonly family: string;
  readonly rule: Rule;
}

/** A row of the file with what it comes to: the end and event it is stored by, or why it is not. */
export interface MatchedRow {
  readonly row: LightRow;
  readonly end: EndNamed | null;
  readonly event: LightReading | null;
  readonly loss: { readonly loss: number; readonly u: number; readonly verdict: string } | null;
  readonly problem: string;
}

interface Matching {
  readonly ends: readonly EndNamed[];
  readonly of: (wavelength: Wavelength) => HeldReference | undefined;
  /** For rows that name none. */
  readonly wavelength: Wavelength;
  readonly now: string;
}

/** The ends a name is of: by its id, its label, or its job and label. */
function endsCalled(ends: readonly EndNamed[], name: string): readonly EndNamed[] {
  const wished = name.trim().toLowerCase();
  const called = ({ id, job, label, piece }: EndNamed) =>
    [id, label, `${job} ${label}`, `${piece} ${label}`].map((text) => text.trim().toLowerCase());
  return ends.filter((end) => called(end).some((text) => text !== "" && text === wished));
}

/**
 * Holds rows against the ends at the bench and the references in use. A reference of the row's own is of now, its source and
 * cord those of the reference in use.
 */
export const matchRows = (rows: readonly LightRow[], matching: Matching): MatchedRow[] => {
  const matings = new Map<Wavelength, number>();
  return rows.map((row) => {
    const problem = (text: string): MatchedRow => ({
      ...{ row, event: null, loss: null, end: null },
      problem: text,
    });
    if (row.problem) return problem(row.problem.text);
    const called = endsCalled(matching.ends, row.end);
    const [end] = called;
    if (!end) return problem(t("no-end-is-called", { name: row.end.slice(0, 60) }));
    if (called.length > 1) return problem(t("ends-are-called", { count: called.length, name: row.end }));
    const wavelength = row.wavelength ?? matching.wavelength;
    const held = matching.of(wavelength);
    if (!held) return problem(t("take-a-reference-first", { wavelength }));
    const used = matings.get(wavelength) ?? held.matings;
    const reference = row.reference ? { ...held.reference, dBm: [...row.reference] } : held.reference;
    if (referenceTrouble({ read: matching.now, reference, matings: used, celsius: null }) !== null)
      return problem(t("the-reference-is-stale", { wavelength }));
    matings.set(wavelength, used + row.reading.length);
    const limit = usualLimit(end.family);
    const event: LightReading = {
      ...{ kind: "light", read: matching.now, from: row.from, reference, matings: used },
      meter: { ...FILE_METER, name: t("meter-of-the-file") },
      ...{ dBm: [...row.reading], celsius: null, limitDb: limit?.dB ?? 0.75, tried: "first" },
      limitFrom: limitName(limit?.id),
    };
    const { loss, u, verdict, gain } = judgeLight(event, end.rule);
    return { row, end, event, loss: { loss, u, verdict: gain ? "unsure" : verdict }, problem: "" };
  });
};

/** Our own representative meter, as it is for a file of readings. */
const FILE_METER = { id: "file-of-a-meter", resolution: 0.01, repeatability: 0.02, mating: 0.05 };
