import type { EndRecord } from "@/core";
import { t } from "@/messages/light";
import { decimal } from "@/messages/numbers";
import { FROM_TEXTS } from "./from-texts";

const dB = (value: number): string => decimal(value.toFixed(2));

/** The loss of an end at each wavelength with its limit and verdict, and why a mean or a gain is no plain loss. */
export const StandingList = ({ standings }: { readonly standings: EndRecord["lightStands"] }) => (
  <ul className="divide-y divide-line border-line border-y">
    {standings.map(({ wavelength, from, loss, u, limitDb, verdict, gain }) => (
      <li key={wavelength} className="py-2">
        <p className="flex flex-wrap items-baseline gap-x-3">
          <span className="min-w-0 flex-1">
            {t("at-wavelength", { wavelength, from: FROM_TEXTS[from]() })}
          </span>
          <span className="figures font-bold">
            {t("loss-of", { loss: dB(loss), u: dB(u), limit: dB(limitDb) })}
          </span>
          <strong className={verdict === "in" ? "text-in" : verdict === "out" ? "text-out" : ""}>
            {t("light-verdict", { verdict })}
          </strong>
        </p>
        {gain && <p className="text-out">{t("brighter")}</p>}
        {from === "both" && <p className="text-soft text-sm">{t("mean-of-both-why")}</p>}
      </li>
    ))}
  </ul>
);
