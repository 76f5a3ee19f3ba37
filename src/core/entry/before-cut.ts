import type { SeenElement } from "../cable/seen";
import type { Identity, Marked } from "../piece/identity";

/** Whether it may be cut: not before both are said, never where one is another or cannot be worked out. */
type CutAnswer =
  | { readonly may: "ask"; readonly about: "tube" | "fibre" }
  | { readonly may: "cut" }
  | { readonly may: "not"; readonly about: "tube" | "fibre"; readonly seen: SeenElement };

const same = (seen: SeenElement, wanted: Marked): boolean =>
  seen !== "doubtful" && seen.code === wanted.code && seen.tracers === wanted.tracers;

/**
 * Holds what is seen in the hand against what is to be cut, the tube before the fibre in it.
 * @param seen null where it has not been said yet.
 * @example beforeCut({ tube: 1, fibre: 2 }, { tube: null, fibre: null }).may // "ask"
 */
export function beforeCut(
  wanted: Pick<Identity, "tube" | "fibre">,
  seen: { readonly tube: SeenElement | null; readonly fibre: SeenElement | null },
): CutAnswer {
  for (const about of ["tube", "fibre"] as const) {
    const first = seen[about];
    if (first === null) return { may: "ask", about };
    if (!same(first, wanted[about])) return { may: "not", about, seen: first };
  }
  return { may: "cut" };
}
