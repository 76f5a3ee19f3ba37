import type { Length, Line, RunSheet } from "@/core";
import { t } from "@/messages/figure";
import { type Shown, showLength, type Tolerance, type Units } from "../words/length-text";
import { figureWords } from "../words/line-words";
import { ToleranceScale } from "./tolerance-scale";

const SIZES = {
  work: "text-[clamp(4rem,min(20vw,16vh),11rem)] lg:text-[clamp(4rem,min(11vw,15vh),8.5rem)]",
  read: "text-5xl sm:text-[clamp(4rem,min(18vw,14vh),10rem)] lg:text-[clamp(4rem,min(11vw,15vh),8.5rem)]",
} as const;

interface HugeProps {
  readonly size: string;
  readonly shown: Shown;
  readonly representative: boolean;
}

function Huge({ size, shown: { main, unit, beside, rounding }, representative }: HugeProps) {
  return (
    <p className="flex flex-wrap items-baseline gap-x-4 leading-none">
      <span className="whitespace-nowrap">
        <span
          className={`figure-huge font-bold ${size} leading-[1.12] ${representative ? "representative" : ""}`}
        >
          {main}
        </span>
        <span className="ml-3 text-2xl sm:text-4xl">{unit}</span>
      </span>
      {(beside || rounding) && (
        <span className="figures whitespace-nowrap text-inch text-xl sm:text-3xl lg:text-2xl">
          {beside} {rounding && <span className="text-base">({rounding})</span>}
        </span>
      )}
    </p>
  );
}

/** The one number to work to, huge; its datum in words, the same place the other way, its tolerance drawn. */
export function BigFigure({ sheet, line, units }: { sheet: RunSheet; line: Line; units: Units }) {
  const words = figureWords(sheet, line, units);
  if (!words || !line.figure) return null;
  const { plus, minus } = line.figure.own;
  return (
    <div>
      <Huge size={SIZES.work} shown={words.shown} representative={line.figure.representative} />
      <p className="mt-2 text-2xl">
        {t("from-the")} <span className="border-now border-b-4">{words.datum}</span>
      </p>
      {words.also.map((line) => (
        <p key={line} className="mt-1 text-lg text-soft">
          {line}
        </p>
      ))}
      <ToleranceScale nominal={words.length} plus={plus} minus={minus} units={units} reading={null} />
    </div>
  );
}

interface LengthFigureProps {
  readonly nominal: Length;
  readonly tolerance: Tolerance;
  readonly from: string;
  readonly to: string;
  readonly representative: boolean;
  readonly units: Units;
}

/** The length a reading should come to, with the two places it lies between. */
export function LengthFigure({ nominal, tolerance, from, to, representative, units }: LengthFigureProps) {
  return (
    <div>
      <Huge size={SIZES.read} shown={showLength(nominal, units, tolerance)} representative={representative} />
      <p className="mt-1 text-lg sm:mt-2 sm:text-2xl">
        {t("from-the")} <span className="border-now border-b-4">{from}</span> {t("to-the")}{" "}
        <span className="border-now border-b-4">{to}</span>
      </p>
    </div>
  );
}
