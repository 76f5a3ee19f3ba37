import { Document, Page, renderToBuffer, Text, View } from "@react-pdf/renderer";
import type { ReactElement } from "react";
import { onLeg, type RecordDocument, type RunSheet } from "@/core";
import { t } from "@/messages/paper";
import { confirmationText, figuresStand } from "@/ui/words/figures-stand";
import { legsText } from "@/ui/words/legs-text";
import { coreText } from "@/ui/words/length-text";
import { madeAtText } from "@/ui/words/made-at";
import { signatureText } from "@/ui/words/signature-words";
import { otherSideTold, RESULT_WORDS } from "@/ui/words/verdict-words";
import { PaperDrawing } from "./end-drawing";
import { loadFaces, mustBePrintable } from "./printable";
import {
  Corrections,
  Fact,
  Light,
  Looks,
  notCounted,
  PartsUsed,
  Photographs,
  RedoneWork,
  shardsTold,
  ToolChecks,
  when,
} from "./record-sections";
import { styles } from "./styles";

const WORDS: Record<string, string> = { in: t("in"), out: t("out"), unsure: t("not-settled") };
const mm = (value: number | null): string => (value === null ? "–" : String(value));
const limits = (min: number | null, max: number | null): string =>
  min === null
    ? t("at-most", { mm: mm(max) })
    : max === null
      ? t("at-least", { mm: mm(min) })
      : `${mm(min)} to ${mm(max)}`;

/**
 * Records as a PDF, each end on pages of its own: what was required and whose figures, what was measured with what,
 * verdicts, faults, what was redone, parts, shards, who and when. Millimetres throughout.
 * @param photos as JPEG bytes by their hash.
 * @param sheets each end's run sheet by its id, drawn above its lengths.
 * @param seal the signed seal they are under, in its one line.
 * @returns the file's bytes.
 * @throws InputError `script` for a name in a script that no face here has, before anything is laid out.
 */
export async function recordsPdf(
  records: readonly RecordDocument[],
  photos: ReadonlyMap<string, Uint8Array>,
  sheets: ReadonlyMap<string, RunSheet>,
  seal = "",
): Promise<Buffer> {
  return printed(records, (record) => (
    <Record key={record.id} record={record} photos={photos} sheet={sheets.get(record.id)} seal={seal} />
  ));
}

/** @throws InputError `script`, before anything is laid out. */
async function printed(
  records: readonly RecordDocument[],
  pageOf: (record: RecordDocument) => ReactElement,
): Promise<Buffer> {
  mustBePrintable(records.flatMap(written));
  await loadFaces();
  return renderToBuffer(
    <Document language="en" title={t("arlent-records")} creator={t("arlent")}>
      {records.map(pageOf)}
    </Document>,
  );
}

/**
 * The same on one page each, for whoever an end was made for: the end drawn as made, its lengths and what they came to,
 * whose figures they are held to, who made it and when, and the figure to check it by.
 */
export async function pagesPdf(
  records: readonly RecordDocument[],
  _photos: ReadonlyMap<string, Uint8Array>,
  sheets: ReadonlyMap<string, RunSheet>,
  seal = "",
): Promise<Buffer> {
  return printed(records, (record) => (
    <Page key={record.id} size="A4" style={styles.page} wrap={false}>
      <Head record={record} />
      <Drawing record={record} sheet={sheets.get(record.id)} />
      <Lengths record={record} />
      <Light record={record} />
      <ToolChecks record={record} />
      <Text style={styles.head}>{t("besides")}</Text>
      <Fact name={t("looks")} text={looksTold(record)} />
      <Fact name={t("redone")} text={redoneTold(record)} />
      <Fact name={t("cable")} text={t("millimetres-lost-by-rework", { lost: record.cable.lost })} />
      <Fact name={t("shards")} text={shardsTold(record)} />
      {notCounted(record) !== "" && <Fact name={t("not-counted")} text={notCounted(record)} />}
      <Seal text={seal} />
      <Foot record={record} />
    </Page>
  ));
}

const looksTold = ({ looks }: RecordDocument): string => {
  const bad = looks.filter(({ good }) => good === false).length;
  const open = looks.filter(({ good }) => good === null).length;
  return [
    t("of-good", { value: looks.length - bad - open, length: looks.length }),
    ...(bad > 0 ? [t("not-good", { bad })] : []),
    ...(open > 0 ? [t("not-answered", { open })] : []),
  ].join("; ");
};

const redoneTold = ({ reworks, attempts }: RecordDocument): string =>
  reworks.length + attempts.length === 0
    ? "nothing"
    : [...reworks.map(({ why }) => why), ...attempts.map(({ why }) => why)].join("; ");

/** The signed seal this record was under as it was printed; the file that proves it is attached. */
const Seal = ({ text }: { text: string }) => (text === "" ? null : <Fact name={t("seal")} text={text} />);

/** The texts people wrote, in any script they like. */
const written = ({
  job,
  label,
  style,
  cable,
  where,
  signed,
  countersigned,
  corrections,
  light,
  photos,
}: RecordDocument): string[] => [
  job,
  label,
  style.name,
  cable.name,
  where?.name ?? "",
  where?.station ?? "",
  signed?.name ?? "",
  signed?.missingShards ?? "",
  signed?.reasons ?? "",
  ...countersigned.flatMap(({ name, reasons }) => [name, reasons ?? ""]),
  ...corrections.flatMap(({ says: message, why, name }) => [message, why, name]),
  ...light.flatMap(({ source, cord, meter, limitFrom }) => [source, cord, meter, limitFrom]),
  ...photos.map(({ caption }) => caption),
];

function Record({
  record,
  photos,
  sheet,
  seal,
}: {
  record: RecordDocument;
  photos: ReadonlyMap<string, Uint8Array>;
  sheet: RunSheet | undefined;
  seal: string;
}) {
  return (
    <Page size="A4" style={styles.page}>
      <Head record={record} />
      <Drawing record={record} sheet={sheet} />
      <Lengths record={record} />
      <Light record={record} />
      <ToolChecks record={record} />
      <Looks record={record} />
      <RedoneWork record={record} />
      <Corrections record={record} />
      <PartsUsed record={record} />
      <Photographs record={record} photos={photos} />
      <Seal text={seal} />
      <Foot record={record} />
    </Page>
  );
}

/** A plain sign-off stands in the head as it is. */
const isTold = ({ means, proof }: RecordDocument["countersigned"][number]): boolean =>
  means !== "made" || proof !== null;

/** What an end is, what it came to, and what it was made by. */
function Head({ record }: { record: RecordDocument }) {
  const { style, cable, where, signed } = record;
  const rough = record.lengths.filter(({ representative }) => representative).length;
  return (
    <>
      <Text style={styles.title}>
        {[record.job, record.label].filter(Boolean).join(" · ") || t("end-not-named")}
      </Text>
      <Text style={styles.result}>
        {signed
          ? t("signed-off-by", {
              value: RESULT_WORDS[record.result],
              name: signed.name,
              when: when(signed.at),
            })
          : t("still-at-the-bench")}
      </Text>
      {signed &&
        [signed, ...record.countersigned]
          .filter(isTold)
          .map((signature) => (
            <Fact
              key={signature.at}
              name={t("signature")}
              text={`${signatureText(signature)}, ${when(signature.at)}`}
            />
          ))}
      <Fact
        name={t("style")}
        text={[t("revision", { name: style.name, revision: style.revision }), ...record.as].join(" · ")}
      />
      <Fact
        name={t("cable")}
        text={t("revision-2", { name: cable.name, revision: cable.revision, coreText: coreText(cable.core) })}
      />
      {record.legs.length > 0 && (
        <Fact name={record.midRun ? t("sides") : t("legs")} text={legsText(record.legs)} />
      )}
      {where && <Fact name={t("made-at")} text={madeAtText(where)} />}
      <Fact
        name={t("figures")}
        text={`${figuresStand(rough, record.lengths.length)} (${style.figures.date}). ${style.figures.note}`}
      />
      {record.purpose === "practice" && <Fact name={t("purpose")} text={t("practice-not-in-the-ledger")} />}
      {record.unread.length > 0 && (
        <Fact
          name={t("not-told-here")}
          text={t("events-written-by-a-newer-arlent", { length: record.unread.length })}
        />
      )}
      <Fact name={t("begun")} text={when(record.started)} />
    </>
  );
}

function Drawing({ record, sheet }: { record: RecordDocument; sheet: RunSheet | undefined }) {
  return sheet ? <PaperDrawing sheet={sheet} planned={record.drawn} /> : null;
}

function Lengths({ record }: { record: RecordDocument }) {
  const { lengths } = record;
  return (
    <>
      <Text style={styles.head}>{t("lengths-in-millimetres")}</Text>
      {lengths.map(
        ({
          id,
          name,
          leg,
          min,
          max,
          otherSide,
          representative,
          confirmation,
          verdict,
          probability,
          mean,
          readings,
        }) => (
          <View key={id} style={styles.row} wrap={false}>
            <Text style={styles.name}>
              {name}
              {onLeg(leg, record.midRun)}
              {otherSide === null ? "" : `, ${otherSideTold(otherSide * 1000)}`}
              {confirmation ? `\nfigure ${confirmationText(confirmation)}` : ""}
            </Text>
            <Text style={representative ? [styles.cell, styles.rough] : styles.cell}>{limits(min, max)}</Text>
            <Text style={styles.cell}>
              {verdict === null
                ? t("not-measured")
                : `${WORDS[verdict]}${mean === null ? "" : `, ${mean.toFixed(2)}`}${probability === null ? "" : t("likely-in", { round: Math.round(probability * 100) })}`}
            </Text>
            <Text style={styles.wide}>
              {readings.map(({ value, instrument }) => `${value} by ${instrument.toLowerCase()}`).join("; ")}
            </Text>
          </View>
        ),
      )}
    </>
  );
}

function Foot({ record }: { record: RecordDocument }) {
  return (
    <View style={styles.foot} fixed>
      <Text>{t("end", { id: record.id })}</Text>
      <Text>{t("check-figure", { hash: record.hash })}</Text>
      <Text render={({ subPageNumber, subPageTotalPages }) => `${subPageNumber} of ${subPageTotalPages}`} />
    </View>
  );
}
