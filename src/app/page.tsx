import {
  check,
  type PlaceAsked,
  type PlannedEnd,
  parseAddress,
  problemOf,
  styleOf,
  zPlaceSide,
} from "@/core";
import { homeOf } from "@/service/job/home";
import { inHand } from "@/service/job/places";
import { library } from "@/service/shelf/library";
import { theStore } from "@/service/the-store";
import { pairEnds } from "@/ui/band/small-end";
import { styleThumbs } from "@/ui/band/thumb";
import { type HomeShown, lastShown } from "@/ui/home/home-shown";
import { HomePage } from "@/ui/home/home-view";
import { type Hand, readSelection, type Selection } from "@/ui/sheet/selection";
import { SheetView } from "@/ui/sheet/sheet-view";
import { kindOf } from "@/ui/sheet/style-kinds";

type Params = Record<string, string | string[] | undefined>;

/** What is in hand at a place, or why there is nothing. */
function handAt(
  question: PlaceAsked,
): (Hand & { readonly planned: PlannedEnd | null }) | { trouble: string } {
  try {
    const place = { side: check(zPlaceSide, question.side), address: parseAddress(question.at) };
    const { job, name, text, cable, core, planned } = inHand(theStore(), question.piece, place);
    return { question, place, job, name: `${name}, ${text}`, cable, core, planned };
  } catch (error) {
    const problem = problemOf(error);
    if (!problem) throw error;
    return { trouble: problem.message };
  }
}

/** What is in hand, with the style planned there unless another was picked. */
const inHandSelected = (
  selection: Selection,
  { cable, core, planned }: Hand & { readonly planned: PlannedEnd | null },
): Selection => ({
  ...selection,
  cable: cable.id,
  core,
  ...(selection.style === null && planned
    ? { style: planned.procedure, choices: { ...planned.choices, ...selection.choices } }
    : {}),
});

type Library = ReturnType<typeof library>;

/** What the first page shows beside its field. */
function homeShown(
  cables: Library["cables"],
  procedures: Library["procedures"],
  tools: Library["tools"],
): HomeShown {
  const { last, next } = homeOf(theStore());
  const connectors = procedures.filter((procedure) => kindOf(procedure) === "connector");
  return {
    last: last && lastShown(last),
    next: next && { ...next, cable: cables.find(({ id }) => id === next.piece?.plan.cable) ?? null },
    ends: pairEnds(connectors, cables, tools),
  };
}

export default async function SheetPage({ searchParams }: { searchParams: Promise<Params> }) {
  const pairs = Object.entries(await searchParams).flatMap(([key, value]) =>
    typeof value === "string" ? [[key, value] as const] : [],
  );
  const { cables, procedures, tools } = library(theStore());
  const selection = readSelection(pairs);
  const hand = selection.place && handAt(selection.place);
  const initial = hand && "place" in hand ? inHandSelected(selection, hand) : selection;
  const picked = procedures.filter(({ id }) => id === initial.style);
  const atHome = initial.cable === null && initial.style === null && !selection.place;
  const sheet = {
    shelf: { cables, styles: procedures.map(styleOf), procedures: picked, tools },
    thumbs: styleThumbs(procedures, cables, tools),
    initial,
  };
  if (atHome) return <HomePage {...sheet} home={homeShown(cables, procedures, tools)} />;
  return (
    <SheetView
      {...sheet}
      hand={hand && "place" in hand ? hand : null}
      trouble={hand && "trouble" in hand ? hand.trouble : null}
    />
  );
}
