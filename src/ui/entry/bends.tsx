import { bendsOf, type Cable, type PartBend } from "@/core";
import { figureText, type Units } from "../words/length-text";

const OF: Readonly<Record<PartBend["of"], string>> = {
  own: "its own sheet",
  multiple: "by its diameter, TIA-568.3",
  practice: "by its diameter, common practice",
  "G.652": "ITU-T G.652",
  "G.657.A1": "ITU-T G.657.A1",
  "G.657.A2": "ITU-T G.657.A2",
};

/** How far each part of a cable may be bent: at rest as it stays, under load while it is pulled or handled. */
export function Bends({ cable, units }: { readonly cable: Cable; readonly units: Units }) {
  return (
    <table className="mt-6 w-full border-collapse text-left">
      <caption className="text-left">
        <strong>No bend tighter than</strong>{" "}
        <span className="text-soft text-sm">The part's own sheet goes before.</span>
      </caption>
      <thead className="text-soft text-sm">
        <tr>
          <th scope="col" className="font-normal">
            radius, {units === "in" ? "in" : "mm"}
          </th>
          <th scope="col" className="px-2 text-right font-normal">
            at rest
          </th>
          <th scope="col" className="px-2 text-right font-normal">
            under load
          </th>
          <th scope="col" className="font-normal">
            whose figure
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
