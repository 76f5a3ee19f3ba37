import type { EndRecord } from "@/core";
import { t } from "@/messages/light";
import { decimal } from "@/messages/numbers";
import { LocalTime } from "../words/local-time";
import { FACE_TEXTS } from "./face-texts";
import { FROM_TEXTS } from "./from-texts";
import { StandingList } from "./standing-list";

const dB = (value: number): string => decimal(value.toFixed(2));

/** Light as an end's record has it: how it stands at each wavelength, and every reading with its reference. */
export function LightTold({ light, lightStands, faces }: Pick<EndRecord, "light" | "lightStands" | "faces">) {
  if (light.length + faces.length === 0) return null;
  return (
    <section aria-labelledby="light">
      <h2 id="light" className="mt-6 mb-1 font-bold text-lg">
        {t("light")}
      </h2>
      <StandingList standings={lightStands} />
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
      <ul className="mt-1 grid gap-1 empty:hidden">
        {faces.map(({ id, at, face, zones, passes, stands }) => (
          <li key={id} className={stands ? "" : "text-soft line-through"}>
            <strong className={passes ? "text-in" : "text-out"}>
              {passes ? t("face-passes") : t("face-fails")}
            </strong>
            ,{" "}
            {t("face-record", {
              face: FACE_TEXTS[face](),
              zones: zones
                .map(({ zone, scratches, defects }) => `${zone} ${scratches}/${defects}`)
                .join(", "),
            })}{" "}
            <LocalTime iso={at} />
          </li>
        ))}
      </ul>
    </section>
  );
}
