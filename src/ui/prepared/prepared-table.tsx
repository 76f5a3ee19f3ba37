import type { PreparedRow } from "@/core";
import { t } from "@/messages/entry";
import type { Units } from "../words/length-text";
import { exactMm, figureText, limitsText, mmText, toleranceOf } from "../words/length-text";

/** What is prepared of one cable: each length, from what, within which limits. */
export function PreparedTable({ rows, units }: { rows: readonly PreparedRow[]; units: Units }) {
  return (
    <div>
      <table className="w-full border-collapse wrap-anywhere text-left">
        <thead className="text-soft text-sm">
          <tr>
            <th scope="col" className="font-normal">
              {t("what")}
            </th>
            <th scope="col" className="px-2 text-right font-normal">
              {t("work-to", { value: units === "in" ? "in" : "mm" })}
            </th>
            <th scope="col" className="px-2 font-normal">
              {t("from-the")}
            </th>
            <th scope="col" className="text-right font-normal">
              {t("limits")}
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ id, name, length, from, min, max, representative }) => (
            <tr key={id} className="border-line border-t align-baseline">
              <th scope="row" className="py-2 font-semibold">
                {name}
              </th>
              <td className="px-2 text-right">
                <span className={`figures font-bold text-xl ${representative ? "representative" : ""}`}>
                  {units === "in"
                    ? figureText(length, units, toleranceOf({ nominal: length, min, max }))
                    : signedText(length)}
                </span>
              </td>
              <td className="px-2 text-soft text-sm">{from}</td>
              <td className="figures text-right text-soft">
                {min === null && max === null ? "" : limitsText(min, max, units)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

const signedText = (length: number): string => (length < 0 ? `−${exactMm(-length)}` : mmText(length));
