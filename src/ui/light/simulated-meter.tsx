"use client";

import { meterLine, simulatedPower, type Wavelength } from "@/core";
import { t } from "@/messages/light";
import { Button } from "../controls/button";

interface SimulatedMeterProps {
  readonly wavelength: Wavelength;
  /** Whether an end is in between, or the cord goes straight into the meter. */
  readonly isThrough: boolean;
  /** Sends its line, as a meter would. */
  readonly onSend: (line: string) => void;
}

/** A stand-in for a source and meter, for practice. */
export const SimulatedMeter = ({ wavelength, isThrough, onSend }: SimulatedMeterProps) => (
  <section
    aria-label={t("simulated-meter")}
    className="no-print flex flex-wrap items-center gap-3 rounded-lg border-2 border-inch border-dashed px-3 py-2"
  >
    <p className="min-w-0 flex-1 basis-48 text-sm">{t("simulated-is-practice")}</p>
    <Button
      onClick={() => onSend(meterLine(simulatedPower(wavelength, isThrough, [Math.random(), Math.random()])))}
    >
      {t("simulate")}
    </Button>
  </section>
);
