import { Image, Text, View } from "@react-pdf/renderer";
import { FAULT_NAMES, onLeg, type RecordDocument } from "@/core";
import { t } from "@/messages/paper";
import { styles } from "./styles";

interface Of {
  readonly record: RecordDocument;
}

/** A time as paper shows it. */
export const when = (iso: string): string => `${iso.slice(0, 10)} ${iso.slice(11, 16)} UTC`;

/** What was looked at, and the faults seen. */
export function Looks({ record }: Of) {
  const { looks } = record;
  return (
    <>
      {looks.length > 0 && <Text style={styles.head}>{t("what-was-seen")}</Text>}
      {looks.map(({ asks, sees, good, colours }) => (
        <Text key={asks}>
          {asks} {sees ?? t("not-answered-2")}
          {good === false && t("not-good-2")}
          {colours.length > 0 && `. Seen in the hand: ${colours.join("; ")}`}
        </Text>
      ))}
      {record.faults.length > 0 && <Text style={styles.head}>{t("faults-seen")}</Text>}
      {record.faults.map(({ at, what: fault, name, leg, behind, stands }) => (
        <Text key={`${at} ${fault} ${name} ${leg}`}>
          {when(at)}
          {onLeg(leg, record.midRun)}: {FAULT_NAMES[fault]}, {name}
          {behind !== null && t("behind-the-fibre-end", { behind })}
          {stands ? "" : t("made-anew-or-taken-back-since")}
        </Text>
      ))}
    </>
  );
}

/** Everything done again, and the readings that no longer count. */
export function RedoneWork({ record }: Of) {
  const { lengths, reworks } = record;
  return (
    <>
      {(reworks.length > 0 || record.attempts.length > 0) && <Text style={styles.head}>{t("redone")}</Text>}
      {reworks.map(({ at, why, leg, plan, cableLost, moves }) => (
        <Text key={at}>
          {t("for-the-way-millimetres-of-cable", {
            when: when(at),
            onLeg: onLeg(leg, record.midRun),
            why,
            plan,
            value: moves
              .map(({ name, was, now }) => `${name} ${was === null ? "" : `${was} to `}${now}`)
              .join("; "),
            cableLost,
          })}
        </Text>
      ))}
      {record.attempts.map(({ at, name, why, leg, cableLost }) => (
        <Text key={at}>
          {t("for", { when: when(at), onLeg: onLeg(leg, record.midRun), why, name })}
          {cableLost > 0 && t("millimetres-of-cable", { cableLost })}
        </Text>
      ))}
      {record.voided.length > 0 && (
        <Text>
          {t("readings-before-that", {
            value: record.voided
              .map(
                ({ length, value }) => `${lengths.find(({ id }) => id === length)?.name ?? length} ${value}`,
              )
              .join("; "),
          })}
        </Text>
      )}
    </>
  );
}

/** Corrections after the sign-off. */
export function Corrections({ record: { corrections } }: Of) {
  return (
    <>
      {corrections.length > 0 && <Text style={styles.head}>{t("corrections")}</Text>}
      {corrections.map(({ says: message, why, name, at }) => (
        <Text key={at}>
          {when(at)}, {name}: {message} ({why})
        </Text>
      ))}
    </>
  );
}

/** Parts threaded on, shards, what was used, and the cable lost. */
export function PartsUsed({ record }: Of) {
  const { parts, used, cable } = record;
  return (
    <>
      <Text style={styles.head}>{t("parts-glass-and-cable")}</Text>
      <Fact
        name={t("threaded-on")}
        text={
          parts
            .filter(({ on }) => on)
            .map(({ name }) => name)
            .join(", ") || "nothing"
        }
      />
      <Fact name={t("shards")} text={shardsTold(record)} />
      {record.counts.some(({ count }) => count === null) && (
        <Fact name={t("not-counted")} text={notCounted(record)} />
      )}
      {used.length > 0 && (
        <Fact name={t("used")} text={used.map(({ item, count }) => `${count} × ${item}`).join(", ")} />
      )}
      <Fact
        name={t("cable")}
        text={t("millimetres-lost-by-rework-2", {
          lost: cable.lost,
          value: cable.left === null ? "" : t("millimetres-left-to-spare", { left: cable.left }),
        })}
      />
    </>
  );
}

/** Kinds of face as the sentence tells them apart. */
const FACE_CASES: Readonly<Record<RecordDocument["faces"][number]["face"], string>> = {
  "single-mode-45": "usual",
  "single-mode-angled": "angled",
  "single-mode-26": "low",
  multimode: "multimode",
};

/** Light read through the end: how it stands at each wavelength, and the readings that stand. */
export function Light({ record }: Of) {
  const { light, lightStands, faces } = record;
  if (light.length + faces.length === 0) return null;
  return (
    <>
      <Text style={styles.head}>{t("light")}</Text>
      {lightStands.map(({ wavelength, from, loss, u, limitDb, verdict, gain }) => (
        <Text key={wavelength}>
          {t("light-stands", {
            wavelength,
            from,
            loss: loss.toFixed(2),
            u: u.toFixed(2),
            limit: String(limitDb),
            verdict: gain ? "gain" : verdict,
          })}
        </Text>
      ))}
      {light
        .filter(({ stands }) => stands)
        .map(
          ({ id, at, wavelength, from, reference, reading, source, cord, meter, referenced, limitFrom }) => (
            <Text key={id}>
              {t("light-read", {
                wavelength,
                from,
                meter,
                source,
                cord,
                limitFrom,
                at: when(at),
                reading: reading.join(", "),
                reference: reference.join(", "),
                referenced: when(referenced),
              })}
            </Text>
          ),
        )}
      {faces
        .filter(({ stands }) => stands)
        .map(({ id, at, face, zones, passes }) => (
          <Text key={id}>
            {t("face-graded", {
              face: FACE_CASES[face],
              at: when(at),
              passes: passes ? "yes" : "no",
              zones: zones
                .map(({ zone, scratches, defects }) => `${zone} ${scratches}/${defects}`)
                .join(", "),
            })}
          </Text>
        ))}
    </>
  );
}

/** Standing of an end or a closure by the checks of the tools it was made with. */
export function ToolChecks({ record: { tools } }: { readonly record: Pick<RecordDocument, "tools"> }) {
  if (tools.length === 0) return null;
  return (
    <>
      <Text style={styles.head}>{t("tools-checked")}</Text>
      {tools.map(({ name, standing, checked, failed, bias }) => (
        <Text key={name}>
          {t("tool-stands", {
            name,
            standing,
            at: standing === "failed" ? when(failed ?? "") : checked === null ? "" : when(checked),
            bias: bias === null || bias === 0 ? "none" : "some",
            off: String(bias ?? 0),
          })}
        </Text>
      ))}
    </>
  );
}

/** The photographs whose bytes are at hand. */
export function Photographs({ record, photos }: Of & { photos: ReadonlyMap<string, Uint8Array> }) {
  const shown = record.photos.flatMap(({ sha256, caption }) => {
    const bytes = photos.get(sha256);
    return bytes ? [{ sha256, caption, bytes }] : [];
  });
  if (shown.length === 0) return null;
  return (
    <View style={styles.photos}>
      {shown.map(({ sha256, caption, bytes }) => (
        <View key={sha256} wrap={false}>
          <Image src={{ data: Buffer.from(bytes), format: "jpg" }} style={styles.photo} />
          <Text>{caption}</Text>
        </View>
      ))}
    </View>
  );
}

/** Shards made and binned. */
export const shardsTold = ({ shards, signed }: RecordDocument): string =>
  t("off-in-the-bin", {
    made: shards.made,
    binned: shards.binned,
    value: signed?.missingShards ? t("missing", { missingShards: signed.missingShards }) : "",
  });

/** Counts the sheet asks for that nobody entered: `bites at “Strip the buffer”`. */
export const notCounted = ({ counts }: RecordDocument): string =>
  counts
    .filter(({ count }) => count === null)
    .map(({ of, title }) => t("at", { of, title }))
    .join("; ");

/** A named fact on a line. */
export function Fact({ name, text }: { name: string; text: string }) {
  return (
    <View style={styles.fact}>
      <Text style={styles.factName}>{name}</Text>
      <Text style={{ flex: 1 }}>{text}</Text>
    </View>
  );
}
