import { styleOf } from "@/core";
import { library } from "@/service/library";
import { theStore } from "@/service/the-store";
import { styleThumbs } from "@/ui/band/thumb";
import { readSelection } from "@/ui/sheet/selection";
import { SheetView } from "@/ui/sheet/sheet-view";

type Params = Record<string, string | string[] | undefined>;

export default async function SheetPage({ searchParams }: { searchParams: Promise<Params> }) {
  const pairs = Object.entries(await searchParams).flatMap(([key, value]) =>
    typeof value === "string" ? [[key, value] as const] : [],
  );
  const { cables, procedures, tools } = library(theStore());
  const initial = readSelection(pairs);
  const picked = procedures.filter(({ id }) => id === initial.style);
  return (
    <SheetView
      shelf={{ cables, styles: procedures.map(styleOf), procedures: picked, tools }}
      thumbs={styleThumbs(procedures, cables, tools)}
      initial={initial}
    />
  );
}
