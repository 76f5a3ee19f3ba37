import type { SeenFault } from "../end/end-state";
import { endState } from "../end/state";
import type { RunSheet } from "../runsheet/document";
import { advise } from "./advise";
import type { Cost } from "./from-start";

/**
 * What cleaving a second time takes on an end made as the sheet says: most often fresh glass further back, because
 * the cleaver must hold glass beyond its blade. Worked out as the bench would, for a cleave seen to be bad.
 * @returns null where nothing is cleaved.
 * @example Object.keys(secondCleave(sheet) ?? {}) // ["cable", "parts", "seconds"]
 */
export function secondCleave(sheet: RunSheet): Cost | null {
  const cleave = sheet.lines.find(({ step }) => step.kind === "cleave");
  if (cleave?.step.kind !== "cleave") return null;
  const reached = Math.min(cleave.index + 1, sheet.lines.length - 1);
  const bad: SeenFault = {
    leg: sheet.cable.legs[0] ?? "",
    feature: cleave.step.makes,
    what: "bad-cleave",
    at: null,
  };
  const [advice] = advise(
    sheet,
    { ...endState([]), at: reached, reached, faults: [bad] },
    { kind: "simple" },
  );
  if (advice?.kind === "rework") {
    const { cableLost, seconds } = advice.recommended;
    return { cable: cableLost, parts: [], seconds };
  }
  return advice?.startOver ?? null;
}
