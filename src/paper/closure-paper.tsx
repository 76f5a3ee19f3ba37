import { Document, Page, renderToBuffer, Text, View } from "@react-pdf/renderer";
import type { ClosureRecord } from "@/core";
import { t } from "@/messages/paper";
import { loadFaces, mustBePrintable } from "./printable";
import { Fact, ToolChecks, when } from "./record-sections";
import { styles } from "./styles";

/**
 * Records of closures as a PDF: cables, everything done or read in the order of the work, each splice with its colours, slot,
 * tries and what they left, spares with their reasons, and every opening.
 * @returns the file's bytes. @throws InputError `script`, before anything is laid out.
 */
export async function closuresPdf(records: readonly ClosureRecord[]): Promise<Buffer> {
  mustBePrintable(records.flatMap(writtenIn));
  await loadFaces();
  return renderToBuffer(
    <Document language="en" title={t("arlent-closures")} creator={t("arlent")}>
      {records.map((record) => (
        <ClosurePages key={record.id} record={record} />
      ))}
    </Document>,
  );
}

/** The texts people wrote, in any script. */
const writtenIn = ({ name, job, entry, cables, splices, spares, reopened }: ClosureRecord): string[] => [
  name,
  job,
  entry,
  ...cables.flatMap((cable) => [cable.name, cable.cable]),
  ...splices.map(({ reason }) => reason),
  ...spares.map(({ reason }) => reason),
  ...reopened.flatMap(({ reason, by }) => [reason, by ?? ""]),
];

interface Of {
  readonly record: ClosureRecord;
}

function ClosurePages({ record }: Of) {
  const { id, name, job, entry, state, reopened } = record;
  return (
    <Page size="A4" style={styles.page}>
      <Text style={styles.title}>{[job, name].filter(Boolean).join(" · ")}</Text>
      <Text style={styles.result}>{state === "closed" ? t("closure-closed") : t("closure-open")}</Text>
      <Fact name={t("entry")} text={entry} />
      <Cables record={record} />
      <Work record={record} />
      <Splices record={record} />
      <Spares record={record} />
      <ToolChecks record={{ tools: record.tools.map((tool) => ({ ...tool, bias: null })) }} />
      {reopened.length > 0 && <Text style={styles.head}>{t("opened-again")}</Text>}
      {reopened.map(({ at, by, reason }) => (
        <Text key={at}>{[when(at), by, reason].filter(Boolean).join(", ")}</Text>
      ))}
      <View style={styles.foot} fixed>
        <Text>{t("closure", { id })}</Text>
        <Text render={({ subPageNumber, subPageTotalPages }) => `${subPageNumber} of ${subPageTotalPages}`} />
      </View>
    </Page>
  );
}

function Cables({ record: { cables } }: Of) {
  return (
    <>
      <Text style={styles.head}>{t("cables")}</Text>
      {cables.map(({ number, name, cable, through, prepared, end }) => (
        <View key={number} style={styles.row} wrap={false}>
          <Text style={styles.name}>{`${number}  ${name}`}</Text>
          <Text style={styles.wide}>{through ? t("cable-goes-through", { cable }) : cable}</Text>
          <Text style={styles.wide}>
            {prepared ? t("cable-prepared", { end: end ?? "" }) : t("cable-not-prepared")}
          </Text>
        </View>
      ))}
    </>
  );
}

/** Everything done or read, in the order of the work. */
function Work({ record: { items } }: Of) {
  const shown = items.filter(({ stage }) => stage !== "cables");
  return (
    <>
      <Text style={styles.head}>{t("work-done")}</Text>
      {shown.map(({ text, done, reading, unit, least, most, last }) => (
        <View key={text} style={styles.row} wrap={false}>
          <Text style={{ width: "48%", paddingRight: 6 }}>{text}</Text>
          <Text style={{ width: "17%", paddingRight: 6 }}>
            {reading === null ? "" : `${reading} ${unit} ${limitsText(least, most)}`}
          </Text>
          <Text style={{ width: "35%" }}>
            {done && last ? [last.by, when(last.at)].filter(Boolean).join(", ") : t("still-open")}
          </Text>
        </View>
      ))}
    </>
  );
}

const limitsText = (least: number | null, most: number | null): string => {
  if (least === null) return "";
  return most === null ? `(${least})` : `(${least} – ${most})`;
};

function Splices({ record: { splices, limitDb } }: Of) {
  if (splices.length === 0) return null;
  return (
    <>
      <Text style={styles.head}>{t("splices-limit", { limitDb })}</Text>
      {splices.map(({ number, a, b, colours, slot, tries, standing, reason, left, triesLeft }) => (
        <View key={number} style={styles.row} wrap={false}>
          <Text style={{ width: "44%", paddingRight: 6 }}>
            {`${number}  ${a}${colours.a ? ` (${colours.a})` : ""} – ${b}${colours.b ? ` (${colours.b})` : ""}`}
          </Text>
          <Text style={{ width: "8%" }}>{slot ?? "–"}</Text>
          <Text style={{ width: "24%", paddingRight: 6 }}>
            {[
              tries.map(tryText).join(", "),
              standing === "in" ? "" : t("splice-standing", { standing, reason }),
            ]
              .filter(Boolean)
              .join("; ")}
          </Text>
          <Text style={{ width: "24%" }}>
            {left ? t("fibre-left", { a: left.a, b: left.b, tries: Math.max(0, triesLeft ?? 0) }) : ""}
          </Text>
        </View>
      ))}
    </>
  );
}

const tryText = ({ estimateDb, simulated, toolsFailed }: ClosureRecord["splices"][number]["tries"][number]) =>
  [
    `${estimateDb} dB${simulated ? t("try-simulated") : ""}`,
    ...(toolsFailed.length > 0 ? [t("try-tools-failed", { tools: toolsFailed.join(", ") })] : []),
  ].join(" ");

function Spares({ record: { spares } }: Of) {
  if (spares.length === 0) return null;
  return (
    <>
      <Text style={styles.head}>{t("spare-fibres")}</Text>
      {spares.map(({ cable, fibres, reason }) => (
        <Text key={`${cable} ${fibres}`}>{`${cable}: ${fibres} (${reason})`}</Text>
      ))}
    </>
  );
}
