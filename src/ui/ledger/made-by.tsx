import { type EndRecord, onLeg } from "@/core";
import { t } from "@/messages/ledger";
import { figuresStand } from "../words/figures-stand";
import { legsText } from "../words/legs-text";
import { coreText, figureText, type Units } from "../words/length-text";
import { LocalTime } from "../words/local-time";
import { madeAtText } from "../words/made-at";

interface MadeByProps {
  readonly record: EndRecord;
  readonly units: Units;
}

/** What it was made by, of and on; whose figures; what it took. */
export function MadeBy({ record, units }: MadeByProps) {
  const { lengths, cable } = record;
  const rough = lengths.filter(({ representative }) => representative).length;
  return (
    <>
      <h2 id="made-by" className="font-bold text-lg">
        {t("made-by")}
      </h2>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        <Fact name={t("style")}>
          {t("revision", {
            value: [record.style.name, ...record.as].join(" · "),
            revision: record.style.revision,
          })}
        </Fact>
        <Fact name={t("cable")}>
          {t("revision-2", {
            name: cable.name,
            revision: cable.revision,
            coreText: coreText(cable.core),
          })}
        </Fact>
        {record.legs.length > 0 && (
          <Fact name={record.midRun ? t("sides") : t("legs")}>{legsText(record.legs)}</Fact>
        )}
        {record.where && <Fact name={t("made-at")}>{madeAtText(record.where)}</Fact>}
        <Fact name={t("figures")}>
          <span className={rough > 0 ? "representative" : ""}>{figuresStand(rough, lengths.length)}</span> (
          {record.style.figures.date})
        </Fact>
        <Fact name={t("judged-by")}>
          {record.rule.kind === "simple"
            ? t("the-mean-alone")
            : t("probability-at-most-risk-either-way", { value: record.rule.risk * 100 })}
        </Fact>
        <WorkFacts record={record} units={units} />
        <Fact name={t("check-figure")}>
          <span className="figures wrap-anywhere text-sm">{record.hash}</span>
        </Fact>
        <Fact name={t("sheet-by")}>{record.program}</Fact>
        <Fact name={t("begun")}>
          <LocalTime iso={record.started} />
        </Fact>
      </dl>
    </>
  );
}

/** What the work took: tries, shards, parts, cable. */
function WorkFacts({ record, units }: MadeByProps) {
  const { signed, shards, used, cable } = record;
  return (
    <>
      {record.tried.length > 0 && (
        <Fact name={t("tried-again")}>
          {record.tried
            .map(({ name, leg, count }) => `${name}${onLeg(leg, record.midRun)} ${count} ×`)
            .join(", ")}
        </Fact>
      )}
      {shards.made > 0 && (
        <Fact name={t("shards")}>
          {t("off-in-the-bin", { made: shards.made, binned: shards.binned })}
          {signed?.missingShards && t("missing", { missingShards: signed.missingShards })}
        </Fact>
      )}
      {record.counts.some(({ count }) => count === null) && (
        <Fact name={t("not-counted")}>
          {record.counts
            .filter(({ count }) => count === null)
            .map(({ of, title }) => t("at", { of, title }))
            .join("; ")}
        </Fact>
      )}
      {used.length > 0 && (
        <Fact name={t("used")}>{used.map(({ item, count }) => `${count} × ${item}`).join(", ")}</Fact>
      )}
      {record.parts.length > 0 && (
        <Fact name={t("threaded-on")}>
          {record.parts
            .filter(({ on }) => on)
            .map(({ name }) => name)
            .join(", ") || t("nothing")}
        </Fact>
      )}
      {(cable.lost > 0 || cable.left !== null) && (
        <Fact name={t("cable-used-up")}>
          {t("by-rework", { figureText: figureText(cable.lost, units) })}
          {cable.left !== null && t("left-to-spare", { figureText: figureText(cable.left, units) })}
        </Fact>
      )}
    </>
  );
}

function Fact({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <>
      <dt className="text-soft">{name}</dt>
      <dd className="min-w-0 wrap-anywhere">{children}</dd>
    </>
  );
}
