import { isTakenBack, type Recorded, type RunSheet } from "@/core";
import { FAULT_SAID } from "../advice/advice-words";
import { figureText, type Units } from "../words/length-text";
import { LocalTime } from "../words/local-time";

/** Every rework that was taken: why, by which way, what went from where to where, and the cable it took. */
export function Redone({
  sheet,
  entries,
  units,
}: {
  sheet: RunSheet;
  entries: readonly Recorded[];
  units: Units;
}) {
  const all = entries.flatMap(({ id, at, entry }) =>
    entry.kind === "rework" && !isTakenBack(entries, id) ? [{ id, at, entry }] : [],
  );
  if (all.length === 0) return null;
  const name = (feature: string) => sheet.features.find(({ id }) => id === feature)?.name ?? feature;
  return (
    <>
      <h2 className="mt-6 font-bold text-lg">Redone</h2>
      <ol className="divide-y divide-line border-line border-y">
        {all.map(({ id, at, entry }, i) => (
          <li key={id} className="py-2">
            <p className="font-semibold">
              {i + 1}.{" "}
              {entry.cause.checks
                .map((one) => sheet.checks.find((check) => check.id === one)?.name)
                .join(", ")}
              {entry.cause.faults
                .map((one) => FAULT_SAID[one.split(": ")[1] as keyof typeof FAULT_SAID])
                .join(", ")}
              {entry.leg && `, leg ${entry.leg}`}: the {entry.plan} way,{" "}
              {entry.cableLost === 0 ? "no cable lost" : `${figureText(entry.cableLost, units)} of cable`}
              <span className="font-normal text-soft">
                {" "}
                <LocalTime iso={at} />
              </span>
            </p>
            <ul className="figures text-soft text-sm">
              {entry.moves.map(({ feature, was, now }) => (
                <li key={feature}>
                  {name(feature)}: {was === null ? "lost" : figureText(was, units)} → {figureText(now, units)}
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ol>
    </>
  );
}
