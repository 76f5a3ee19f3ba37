import { z } from "zod";
import type { OpenPoint } from "../end/open-points";
import { FAULT_NAMES } from "../event/kinds/faults";
import { t } from "../words/core";

/** One thing that keeps an end from being in, as it is shown: `{kind: "out", what: "cleave length", leg: "A"}`. */
export const zOpen = z.strictObject({
  kind: z.enum(["out", "unsure", "unread", "bad", "unanswered", "fault"]),
  what: z.string(),
  leg: z.string(),
});
export type OpenTold = z.output<typeof zOpen>;

/**
 * @example openPoints(sheet, read({}), rule).map(openTold).length // 8
 */
export function openTold(point: OpenPoint): OpenTold {
  switch (point.kind) {
    case "bad":
      return { kind: "bad", what: point.sees, leg: "" };
    case "unanswered":
      return { kind: "unanswered", what: point.asks, leg: "" };
    case "fault":
      return { kind: "fault", what: FAULT_NAMES[point.fault.what], leg: point.fault.leg };
    case "light":
      return {
        kind: point.verdict,
        what: t("light-at-wavelength", { wavelength: point.wavelength }),
        leg: "",
      };
    case "face":
      return { kind: "out", what: t("end-face"), leg: "" };
    default:
      return { kind: point.kind, what: point.check.name, leg: point.check.leg };
  }
}
