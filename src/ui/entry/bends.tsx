import { bendsOf, type Cable, type PartBend } from "@/core";
import { t } from "@/messages/entry";
import { figureText, type Units } from "../words/length-text";

const OF: Readonly<Record<PartBend["of"], string>> = {
  own: t("its-own-sheet"),
  multiple: t("by-its-diameter-tia-568-3"),
  practice: t("by-its-diameter-common-practice"),
  "G.652": "ITU-T G.652",
  "G.657.A1": "ITU-T G.657.A1",
  "G.657.A2": "ITU-T G.657.A2",
};

/** How far each part of a cable may be bent: at rest as it stays, under load while it is pulled or handled. */
export function Bends({ cable, units }: { readonly cable: Cable; readonly units: Units }) {
  return (
    <table className="mt-6 w-full border-collapse text-left">
      <caption className="text-left">
        <strong>{t("no-bend-tighter-than")}</strong>{" "}
        <span className="text-soft text-sm">{t("the-part-s-own-sheet-goes")}</span>
      </caption>
      <thead className="text-soft text-sm">
        <tr>
          <th scope="col" className="font-normal">
            {t("radius", { value: units === "in" ? "in" : "mm" })}
          </th>
          <th scope="col" className="px-2 text-right font-normal">
            {t("at-rest")}
          </th>
          <th scope="col" className="px-2 text-right font-normal">
            {t("under-load")}
          </th>
          <th scope="col" className="font-normal">
            {t("whose-figure")}
          </th>
        </tr>
      </thead>
      <tbody>
        {bendsOf(cable).map(({ part, atRest, underLoad, of }) => (
          <tr key={part} className="border-line border-t align-baseline">
            <th scope="row" className="py-1 font-semibold">
              {part}
            </th>
            <td className="figures px-2 text-right font-bold">{figureText(atRest, units)}</td>
            <td className="figures px-2 text-right">{figureText(underLoad, units)}</td>
            <td className="text-soft text-sm">{OF[of]}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
