import {
  check,
  type PlaceAsked,
  type PlannedEnd,
  parseAddress,
  problemOf,
  styleOf,
  zPlaceSide,
} from "@/core";
import { library } from "@/service/library";
import { inHand } from "@/service/places";
import { theStore } from "@/service/the-store";
import { styleThumbs } from "@/ui/band/thumb";
import { type Hand, readSelection, type Selection } from "@/ui/sheet/selection";
import { SheetView } from "@/ui/sheet/sheet-view";

type Params = Record<string, string | string[] | undefined>;

/** What is in hand at a place, or why there is nothing. */
function handAt(asked: PlaceAsked): (Hand & { readonly planned: PlannedEnd | null }) | { trouble: string } {
  try {
    const place = { side: check(zPlaceSide, asked.side), address: parseAddress(asked.at) };
    const { job, name, text, cable, core, planned } = inHand(theStore(), asked.piece, place);
    return { asked, place, job, name: `${name}, ${text}`, cable, core, planned };
  } catch (error) {
    const problem = problemOf(error);
    if (!problem) throw error;
    return { trouble: problem.message };
  }
}

/** What is in hand, with the style planned there unless another was picked. */
const inHandSelected = (
  asked: Selection,
  { cable, core, planned }: Hand & { readonly planned: PlannedEnd | null },
): Selection => ({
  ...asked,
  cable: cable.id,
  core,
  ...(asked.style === null && planned
    ? { style: planned.procedure, choices: { ...planned.choices, ...asked.choices } }
    : {}),
});

export default async function SheetPage({ searchParams }: { searchParams: Promise<Params> }) {
  const pairs = Object.entries(await searchParams).flatMap(([key, value]) =>
    typeof value === "string" ? [[key, value] as const] : [],
  );
  const { cables, procedures, tools } = library(theStore());
  const asked = readSelection(pairs);
  const hand = asked.place && handAt(asked.place);
  const initial = hand && "place" in hand ? inHandSelected(asked, hand) : asked;
  const picked = procedures.filter(({ id }) => id === initial.style);
  return (
    <SheetView
      shelf={{ cables, styles: procedures.map(styleOf), procedures: picked, tools }}
      thumbs={styleThumbs(procedures, cables, tools)}
      initial={initial}
      hand={hand && "place" in hand ? hand : null}
      trouble={hand && "trouble" in hand ? hand.trouble : null}
    />
  );
}
