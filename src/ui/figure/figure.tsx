import type { Line, RunSheet } from "@/core";
import type { Units } from "../words/length-text";
import { figureWords } from "../words/line-words";
import { ToleranceScale } from "./tolerance-scale";

/** The one number to work to, huge; its datum in words, the same place the other way, its tolerance drawn. */
export function Figure({ sheet, line, units }: { sheet: RunSheet; line: Line; units: Units }) {
  const words = figureWords(sheet, line, units);
  if (!words || !line.figure) return null;
  const { plus, minus } = line.figure.own;
  return (
    <div>
      <p className="flex flex-wrap items-baseline gap-x-4 leading-none">
        <span
          className={`figures font-bold text-[clamp(4.2rem,min(13vw,19vh),9rem)] ${sheet.procedure.representative ? "representative" : ""}`}
        >
          {words.shown.main}
        </span>
        <span className="text-4xl">{words.shown.unit}</span>
        {words.shown.beside && <span className="figures text-3xl text-inch">{words.shown.beside}</span>}
      </p>
      <p className="mt-3 text-2xl">
        from the <span className="border-now border-b-4">{words.datum}</span>
      </p>
      {words.also.map((one) => (
        <p key={one} className="mt-1 text-lg text-soft">
          {one}
        </p>
      ))}
      <ToleranceScale nominal={words.length} plus={plus} minus={minus} units={units} reading={null} />
    </div>
  );
}
