import {
  type ClosureAtWork,
  fibreEndText,
  type Splice,
  type SplicePlan,
  splicedIn,
  type TrayList,
  trayLists,
} from "@/core";
import { decimal } from "@/messages/numbers";
import { t } from "@/messages/splicing";
import { trayLineTexts } from "../words/tray-line";
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
  return (
    <div className="hidden print:block">
      {trayLists(trays, plan.splices).map(({ tray, lines }) => (
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
              {lines.map((line) => (
                <TrayRow key={line.splice.id} line={line} at={at} />
              ))}
            </tbody>
          </table>
          <p className="mt-2 text-sm">{t("laid-in-these-steps")}</p>
        </section>
      ))}
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

interface TrayRowProps {
  readonly line: TrayList<Splice>["lines"][number];
  readonly at: ClosureAtWork;
}

function TrayRow({ line, at }: TrayRowProps) {
  const { splice, slot, number } = line;
  const { steps, turns, trim, tries } = trayLineTexts(line);
  const cell = "border-line border-b py-2 pr-2 align-top";
  return (
    <tr>
      <td className={cell}>{steps}</td>
      <td className={`${cell} font-bold`}>{slot}</td>
      <td className={cell}>{number}</td>
      {([splice.a, splice.b] as const).map((end) => (
        <td key={end.cable + end.fibre} className={cell}>
          <FibreChip end={end} cables={splicedIn(at)} /> {fibreEndText(splicedIn(at), end)}
        </td>
      ))}
      <td className={cell}>{turns}</td>
      <td className={cell}>{trim}</td>
      <td className={cell}>{tries}</td>
      <td className={`${cell} w-24`} />
    </tr>
  );
}
