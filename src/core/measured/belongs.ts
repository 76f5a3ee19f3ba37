import type { Length } from "../length/length";
import type { Check } from "../runsheet/document";

/** Where a reading goes: to the one length it can only belong to, or to one of several that must be asked about. */
type Belongs =
  | { readonly kind: "one"; readonly check: Check }
  | { readonly kind: "ask"; readonly checks: readonly Check[] };

/** A reading as far from what is asked as this share of it is taken to be that length made wrong, not another one. */
const FAR = 0.35;
/** Lengths closer together than this, in micrometres, cannot be worked out apart by their size. */
const NEAR = 2_000;

const farFrom = ({ nominal }: Check, value: number): number => Math.abs(value - nominal);
const within = ({ nominal, min, max }: Check, value: number): boolean => {
  const room = Math.max(NEAR, FAR * Math.abs(nominal));
  return value >= (min ?? nominal) - room && value <= (max ?? nominal) + room;
};

/**
 * Which of the lengths still to be read a reading belongs to. No doubt: it could be one only; or it is plainly
 * nearest to one, and another would have to be out by more than three times as much and by two millimetres more.
 * A reading no nearer to any other than to the length asked for is taken for that one.
 * @param open lengths that can be read now, the one being asked for first.
 * @example belongsTo(sheet.checks, sheet.checks[0].nominal).kind // "one"
 */
export function belongsTo(open: readonly Check[], value: Length): Belongs {
  const could = open.filter((check) => within(check, value));
  const [only] = could;
  if (could.length === 1 && only) return { kind: "one", check: only };
  const [openCheck] = open;
  // Like none of them: a slip of the finger or the unit, judged against the length asked for.
  if (could.length === 0 && openCheck) return { kind: "one", check: openCheck };
  if (
    openCheck &&
    could.includes(openCheck) &&
    could.every((check) => farFrom(openCheck, value) <= farFrom(check, value))
  )
    return { kind: "one", check: openCheck };
  const [best, next] = [...could].sort((a, b) => farFrom(a, value) - farFrom(b, value));
  const plain =
    best &&
    next &&
    farFrom(next, value) > 3 * farFrom(best, value) &&
    farFrom(next, value) - farFrom(best, value) > NEAR;
  return plain ? { kind: "one", check: best } : { kind: "ask", checks: could };
}
