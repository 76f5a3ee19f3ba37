import type { Identity, Marked } from "@/core";
import { t } from "@/messages/words";

/** A colour as it is said: `BL`, or `BL with 1 tracer`. */
export const colourText = ({ code, tracers }: Pick<Marked, "code" | "tracers">): string =>
  `${code}${tracers > 0 ? ` with ${tracers} ${tracers === 1 ? "tracer" : "tracers"}` : ""}`;

/** A fibre by what it lies in: `tube 2 OR, fibre 1 BL`. */
export const fibreText = ({
  kind,
  tube,
  fibre,
}: Pick<Identity, "tube" | "fibre"> & { readonly kind: string }): string =>
  t("fibre", {
    kind,
    position: tube.position,
    colourText: colourText(tube),
    position2: fibre.position,
    colourText2: colourText(fibre),
  });
