import { type EndRecord, onLeg } from "@/core";
import { t } from "@/messages/ledger";
import { figureText, type Units } from "../words/length-text";
import { LocalTime } from "../words/local-time";

const cableText = (lost: number, units: Units): string =>
  lost === 0 ? t("no-cable-lost") : t("of-cable", { figureText: figureText(lost, units) });

/** Every rework, retry and fresh start: why, by which way, what went from where to where, and the cable it took. */
export function Redone({
  record: { reworks, attempts, midRun },
  units,
}: {
  record: Pick<EndRecord, "reworks" | "attempts" | "midRun">;
  units: Units;
}) {
  if (reworks.length + attempts.length === 0) return null;
  return (
    <>
      <h2 className="mt-6 font-bold text-lg">{t("redone")}</h2>
      <ol className="divide-y divide-line border-line border-y">
        {reworks.map(({ at, why, leg, plan, cableLost, moves }) => (
          <li key={`${at} ${leg}`} className="py-2">
            <p className="font-semibold">
              {t("the-way", { why, onLeg: onLeg(leg, midRun), plan, cableText: cableText(cableLost, units) })}
              <When at={at} />
            </p>
            <ul className="figures text-soft text-sm">
              {moves.map(({ feature, name, was, now }) => (
                <li key={feature}>
                  {name}: {was === null ? "lost" : figureText(was, units)} → {figureText(now, units)}
                </li>
              ))}
            </ul>
          </li>
        ))}
        {attempts.map(({ at, name, why, leg, cableLost }) => (
          <li key={`${at} ${name} ${leg}`} className="py-2 font-semibold">
            {why}
            {onLeg(leg, midRun)}: {name}, {cableText(cableLost, units)}
            <When at={at} />
          </li>
        ))}
      </ol>
    </>
  );
}

function When({ at }: { at: string }) {
  return (
    <span className="font-normal text-soft">
      {" "}
      <LocalTime iso={at} />
    </span>
  );
}
