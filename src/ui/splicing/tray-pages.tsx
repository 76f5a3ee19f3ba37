import {
  type ClosureAtWork,
  fibreEndText,
  laidIn,
  layingOrder,
  type Splice,
  type SplicePlan,
  slotAt,
  splicedIn,
  type TraySet,
} from "@/core";
import { decimal } from "@/messages/numbers";
import { t } from "@/messages/splicing";
import { FibreChip } from "./fibre-chip";

interface TrayPagesProps {
  readonly name: string;
  readonly plan: SplicePlan;
  readonly at: ClosureAtWork;
}

/** A page a tray on paper: its splices in the order of its slots, with what to trim and room for the estimate. */
export function TrayPages({ name, plan, at }: TrayPagesProps) {
  const { trays } = at.entry;
  if (!trays) return null;
  const rows = plan.splices.flatMap((splice, i) => {
    const place = splice.slot === null ? null : slotAt(trays, splice.slot);
    return place ? [{ splice, number: i + 1, ...place }] : [];
  });
  const used = [...new Set(rows.map(({ tray }) => tray))].sort((a, b) => a - b);
  const order = (slot: string) => trays.slots.findIndex(({ id }) => id === slot);
  return (
    <div className="hidden print:block">
      {used.map((tray) => {
        const steps = layingOrder(
          trays,
          rows
            .filter((row) => row.tray === tray)
            .map(({ splice, slot }) => ({ id: splice.id, slot, laid: laidFor(trays, slot, splice) })),
        );
        const stepsOf = (id: string) =>
          steps.flatMap((step, i) => (step.splice === id ? i + 1 : [])).join(", ");
        return (
          <section key={tray} className="break-before-page">
            <h2 className="font-bold text-xl">{t("tray-page", { closure: name, tray })}</h2>
            <p>{t("at-most-limit", { limit: decimal(String(plan.limitDb)) })}</p>
            <table className="mt-2 w-full text-left text-sm">
              <thead>
                <tr>
                  {COLUMNS.map((column) => (
                    <th key={column()} className="border-line border-b py-1">
                      {column()}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {rows
                  .filter((row) => row.tray === tray)
                  .sort((a, b) => order(a.slot) - order(b.slot))
                  .map(({ splice, number, slot }) => (
                    <TrayRow
                      key={splice.id}
                      laidAs={stepsOf(splice.id)}
                      splice={splice}
                      number={number}
                      slot={slot}
                      trays={trays}
                      at={at}
                    />
                  ))}
              </tbody>
            </table>
            <p className="mt-2 text-sm">{t("laid-in-these-steps")}</p>
          </section>
        );
      })}
    </div>
  );
}

const COLUMNS = [
  () => t("column-laid"),
  () => t("column-slot"),
  () => t("column-splice"),
  () => t("column-from"),
  () => t("column-to"),
  () => t("column-turns"),
  () => t("column-trim"),
  () => t("column-tries"),
  () => t("column-estimate"),
] as const;

const laidFor = (trays: TraySet, slot: string, { lengths }: Splice) =>
  laidIn(trays, slot, { a: lengths.a ?? trays.fibre, b: lengths.b ?? trays.fibre });

interface TrayRowProps {
  /** Its steps in the order of laying: the sleeve, then the loops. */
  readonly laidAs: string;
  readonly splice: Splice;
  readonly number: number;
  readonly slot: string;
  readonly trays: TraySet;
  readonly at: ClosureAtWork;
}

function TrayRow({ laidAs, splice, number, slot, trays, at }: TrayRowProps) {
  const laid = laidFor(trays, slot, splice);
  const both = (of: (side: NonNullable<typeof laid>["a"]) => number | null) =>
    laid ? [laid.a, laid.b].map((side) => decimal(String(of(side) ?? "–"))).join(" / ") : "–";
  const cell = "border-line border-b py-2 pr-2 align-top";
  return (
    <tr>
      <td className={cell}>{laidAs}</td>
      <td className={`${cell} font-bold`}>{slot}</td>
      <td className={cell}>{number}</td>
      {([splice.a, splice.b] as const).map((end) => (
        <td key={end.cable + end.fibre} className={cell}>
          <FibreChip end={end} cables={splicedIn(at)} /> {fibreEndText(splicedIn(at), end)}
        </td>
      ))}
      <td className={cell}>{both(({ turns }) => turns)}</td>
      <td className={cell}>{both(({ trim }) => (trim === null ? null : trim / 1_000))}</td>
      <td className={cell}>{laid && laid.tries >= 0 ? laid.tries : "–"}</td>
      <td className={`${cell} w-24`} />
    </tr>
  );
}
