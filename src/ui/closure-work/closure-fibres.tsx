import { type ClosureAtWork, type ClosureWork, fibreEndText, splicedIn, type WholeClosure } from "@/core";
import { paintOf } from "../splicing/fibre-chip";

const mm = (micrometres: number): number => micrometres / 1_000;

/** Each spliced fibre from where its cable is opened to the tray, in its colour; what is not yet in is broken. */
export function Fibres({
  drawn,
  at,
  work,
}: {
  readonly drawn: WholeClosure;
  readonly at: ClosureAtWork;
  readonly work: ClosureWork;
}) {
  const { trays, cables, openedTo } = drawn;
  if (!trays) return null;
  const [x2, bottom] = [mm(trays.left), mm(trays.top + trays.height)];
  return (
    <g fill="none" strokeWidth="1.2">
      {work.splices.slice(0, MOST_DRAWN).flatMap(({ splice, standing }, i) =>
        (["a", "b"] as const).flatMap((side) => {
          const cable = cables.find(({ id }) => id === splice[side].cable);
          if (!cable) return [];
          const [x1, y1] = [mm(openedTo), mm(cable.y)];
          const y2 = bottom - 8 - ((2 * i + (side === "b" ? 1 : 0)) % 40) * 1.1;
          return (
            <path
              key={`${splice.id} ${side}`}
              d={`M${x1},${y1} C${x1 + 60},${y1} ${x2 - 80},${y2} ${x2},${y2}`}
              stroke={paintOf(splice[side], splicedIn(at)).ground}
              strokeDasharray={standing === "open" || standing === "out" ? "4 3" : undefined}
            >
              <title>{fibreEndText(splicedIn(at), splice[side])}</title>
            </path>
          );
        }),
      )}
    </g>
  );
}

/** Fibres drawn one by one: of more the drawing would be a blot. */
const MOST_DRAWN = 96;
