import type { EndRecord } from "@/core";
import { t } from "@/messages/light";
import { decimal } from "@/messages/numbers";
import { LocalTime } from "../words/local-time";
import { FROM_TEXTS } from "./from-texts";

const dB = (value: number): string => decimal(value.toFixed(2));

/** Light as an end's record has it: how it stands at each wavelength, and every reading with its reference. */
export function LightTold({ light, lightStands }: Pick<EndRecord, "light" | "lightStands">) {
  if (light.length === 0) return null;
  return (
    <section aria-labelledby="light">
      <h2 id="light" className="mt-6 mb-1 font-bold text-lg">
        {t("light")}
      </h2>
      <ul className="divide-y divide-line border-line border-y">
        {lightStands.map(({ wavelength, from, loss, u, limitDb, verdict, gain }) => (
          <li key={wavelength} className="flex flex-wrap items-baseline gap-x-3 py-2">
            <span className="min-w-0 flex-1">
              {t("at-wavelength", { wavelength, from: FROM_TEXTS[from]() })}
            </span>
            <span className="figures font-bold">
              {t("loss-of", { loss: dB(loss), u: dB(u), limit: dB(limitDb) })}
            </span>
            <strong className={verdict === "in" ? "text-in" : verdict === "out" ? "text-out" : ""}>
              {t("light-verdict", { verdict })}
            </strong>
            {gain && <span className="w-full text-out">{t("brighter")}</span>}
          </li>
        ))}
      </ul>
      <ul className="mt-1 grid gap-1 text-sm">
        {light.map((read) => (
          <li key={read.id} className={read.stands ? "" : "text-soft line-through"}>
            {t("read-with", {
              wavelength: read.wavelength,
              from: FROM_TEXTS[read.from](),
              reading: read.reading.map(dB).join(", "),
              reference: read.reference.map(dB).join(", "),
              meter: read.meter,
              source: read.source,
              cord: read.cord,
              limitFrom: read.limitFrom,
            })}{" "}
            <LocalTime iso={read.at} />
          </li>
        ))}
      </ul>
    </section>
  );
}
