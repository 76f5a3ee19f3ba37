import Papa from "papaparse";
import { onLeg, type RecordDocument } from "@/core";

/**
 * How a cell starts that a spreadsheet would run, or would once what is blank or unseen before it is taken off; full-width signs
 * are read as the plain ones (OWASP, CSV injection). The library's own test misses all but the first.
 */
const RUNS = /^[\s\p{Cc}\p{Cf}=+\-@＝＋－＠]/u;

/** What is shown of the end, in each of its rows. */
const OF_END = [
  "end",
  "job",
  "label",
  "style",
  "as",
  "revision",
  "cable",
  "core",
  "piece",
  "side",
  "station",
  "address",
  "signed_by",
  "signed_at",
  "signature_means",
  "proven_by",
  "second_signatures",
  "outcome",
  "result",
  "legs",
  "looks",
  "faults",
  "reworks",
  "attempts",
  "cable_lost_mm",
  "not_counted",
  "corrections",
  "tools_checked",
] as const;

/** What is shown of one length and one reading of it. */
const OF_LENGTH = [
  "length",
  "leg",
  "figure",
  "confirmed_by",
  "confirmed_against",
  "nominal_mm",
  "min_mm",
  "max_mm",
  "other_side_mm",
  "reading_mm",
  "typed",
  "instrument",
  "read_at",
  "standing",
  "verdict",
] as const;

/** What is shown of one reading of light, and of one look at the end face. */
const OF_LIGHT = [
  "wavelength_nm",
  "light_from",
  "reference_dbm",
  "light_dbm",
  "loss_db",
  "loss_u_db",
  "loss_limit_db",
  "loss_limit_from",
  "loss_verdict",
  "face_kind",
  "face_zones",
  "face_verdict",
] as const;

type Cells<Column extends string> = Record<Column, string | number>;
type Row = Cells<(typeof OF_END)[number] | (typeof OF_LENGTH)[number]> &
  Partial<Cells<(typeof OF_LIGHT)[number]>>;

/** By it a spreadsheet takes the file for UTF-8, and not for the letters of its own country (Unicode, "BOM"). */
export const BYTE_ORDER_MARK = "\ufeff";
/** How every CSV file is written. */
export const CSV_SETTINGS = { escapeFormulae: RUNS, newline: "\r\n" };

/**
 * Records as CSV, a row a reading, rejected ones with the reason, and one for each length that has none, the head first; a cell that a spreadsheet would
 * run is made plain text. A piece a record.
 */
export function* csvPieces(records: Iterable<RecordDocument>): Generator<string> {
  const columns = [...OF_END, ...OF_LENGTH, ...OF_LIGHT];
  yield `${BYTE_ORDER_MARK}${Papa.unparse([columns], CSV_SETTINGS)}\r\n`;
  for (const record of records)
    yield `${Papa.unparse(rowsOf(record), { ...CSV_SETTINGS, columns, header: false })}\r\n`;
}

/** The same in one piece. */
export const recordsCsv = (records: readonly RecordDocument[]): string => [...csvPieces(records)].join("");

const rowsOf = (record: RecordDocument): Row[] => {
  const common = commonOf(record);
  const rows = record.lengths.flatMap((length) => {
    const of = <Reading extends RecordDocument["voided"][number]>(
      readings: readonly Reading[],
      standing: (reading: Reading) => string,
    ) =>
      readings
        .filter((reading) => reading.length === length.id)
        .map((reading) => ({ ...common, ...lengthCells(length, reading), standing: standing(reading) }));
    const rejected = [...of(record.voided, () => "made anew since"), ...of(record.struck, ({ why }) => why)];
    const read = length.readings.map((reading) => ({
      ...common,
      ...lengthCells(length, reading),
      standing: "stands",
    }));
    const none = read.length > 0 ? [] : [{ ...common, ...lengthCells(length, null), standing: "not read" }];
    return [...rejected, ...read, ...none];
  });
  const all = [
    ...rows,
    ...record.light.map((read) => ({ ...common, ...lightCells(read) })),
    ...record.faces.map((face) => ({ ...common, ...faceCells(face) })),
  ];
  return all.length > 0 ? all : [{ ...common, ...NO_LENGTH }];
};

const commonOf = (record: RecordDocument): Cells<(typeof OF_END)[number]> => ({
  end: record.id,
  job: record.job,
  label: record.label,
  style: record.style.name,
  as: record.as.join(", "),
  revision: record.style.revision,
  cable: record.cable.name,
  core: record.cable.core,
  piece: record.where?.name ?? "",
  side: record.where?.side ?? "",
  station: record.where?.station ?? "",
  address: record.where?.address ?? "",
  signed_by: record.signed?.name ?? "",
  signed_at: record.signed?.at ?? "",
  signature_means: record.signed?.means ?? "",
  proven_by: record.signed?.proof?.how ?? "",
  second_signatures: record.countersigned.map(({ means, name }) => `${means} ${name}`).join("; "),
  outcome: record.signed?.outcome ?? "",
  result: record.result,
  legs: record.legs
    .map(({ leg, result, read, lengths }) => `${leg} ${result}, ${read} of ${lengths} read`)
    .join("; "),
  looks: record.looks
    .map(
      ({ asks, sees, colours }) =>
        `${asks} ${sees ?? "not answered"}${colours.length > 0 ? ` (${colours.join(", ")})` : ""}`,
    )
    .join("; "),
  faults: record.faults
    .map(
      ({ what: fault, name, leg, stands }) =>
        `${fault} ${name}${onLeg(leg, record.midRun)}${stands ? "" : " (redone)"}`,
    )
    .join("; "),
  reworks: record.reworks
    .map(({ plan, why, leg, cableLost }) => `${plan}: ${why}${onLeg(leg, record.midRun)}, ${cableLost} mm`)
    .join("; "),
  attempts: record.attempts
    .map(({ name, why, leg, cableLost }) => `${name}: ${why}${onLeg(leg, record.midRun)}, ${cableLost} mm`)
    .join("; "),
  cable_lost_mm: record.cable.lost,
  not_counted: record.counts
    .filter(({ count }) => count === null)
    .map(({ of, title }) => `${of}: ${title}`)
    .join("; "),
  corrections: record.corrections
    .map(({ says: message, why, name }) => `${message} (${why}; ${name})`)
    .join("; "),
  tools_checked: record.tools
    .map(
      ({ name, standing, checked, failed, bias }) =>
        `${name} ${standing}${bias === null ? "" : `, ${bias} mm off`}${standing === "failed" ? ` ${failed}` : checked === null ? "" : ` ${checked}`}`,
    )
    .join("; "),
});

type Length = RecordDocument["lengths"][number];

const lengthCells = (
  { name, leg, nominal, min, max, otherSide, representative, confirmation, verdict }: Length,
  reading: Pick<Length["readings"][number], "value" | "typed" | "instrument" | "at"> | null,
): Omit<Cells<(typeof OF_LENGTH)[number]>, "standing"> => ({
  length: name,
  leg,
  figure: representative ? "representative" : confirmation?.asShown ? "confirmed as shown" : "confirmed",
  confirmed_by: confirmation?.by ?? "",
  confirmed_against: confirmation ? (confirmation.sheet ?? "no number on it") : "",
  nominal_mm: nominal,
  min_mm: min ?? "",
  max_mm: max ?? "",
  other_side_mm: otherSide ?? "",
  reading_mm: reading?.value ?? "",
  typed: reading?.typed ?? "",
  instrument: reading?.instrument ?? "",
  read_at: reading?.at ?? "",
  verdict: verdict ?? "not measured",
});

/** The cells of a reading of light: of a length it has none. */
const lightCells = (read: RecordDocument["light"][number]) => ({
  ...NO_LENGTH,
  instrument: read.meter,
  read_at: read.at,
  standing: read.stands ? "stands" : "made anew since",
  wavelength_nm: read.wavelength,
  light_from: read.from,
  reference_dbm: read.reference.join(" "),
  light_dbm: read.reading.join(" "),
  loss_db: read.loss.toFixed(3),
  loss_u_db: read.u.toFixed(3),
  loss_limit_db: read.limitDb,
  loss_limit_from: read.limitFrom,
  loss_verdict: read.gain ? "brighter than its reference" : read.verdict,
});

/** The cells of an end face: scratches and defects of each zone, as `A 0/0 B 1/2`. */
const faceCells = (face: RecordDocument["faces"][number]) => ({
  ...NO_LENGTH,
  read_at: face.at,
  standing: face.stands ? "stands" : "made anew since",
  face_kind: face.face,
  face_zones: face.zones.map(({ zone, scratches, defects }) => `${zone} ${scratches}/${defects}`).join(" "),
  face_verdict: face.passes ? "in" : "out",
});

/** The cells of a length, for an end that has none. */
const NO_LENGTH: Cells<(typeof OF_LENGTH)[number]> = {
  length: "",
  leg: "",
  figure: "",
  confirmed_by: "",
  confirmed_against: "",
  nominal_mm: "",
  min_mm: "",
  max_mm: "",
  other_side_mm: "",
  reading_mm: "",
  typed: "",
  instrument: "",
  read_at: "",
  standing: "",
  verdict: "",
};
