"use client";

import { Command } from "cmdk";
import { Search } from "lucide-react";
import { useRouter } from "next/navigation";
import { type ComponentProps, useMemo, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import type { SheetShelf, Style } from "@/core";
import { t } from "@/messages/home";
import { ThumbTextures } from "../band/end-thumb";
import { pairKey } from "../band/small-end";
import { useWidth } from "../band/use-width";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { styleWords } from "../sheet/known-words";
import { matchRank } from "../sheet/match-rank";
import { SheetView } from "../sheet/sheet-view";
import { kindOf } from "../sheet/style-kinds";
import type { PickedEnd } from "../sheet/use-picks";
import { findable, findEnds } from "./find-ends";
import { FoundRows, FoundTape } from "./found-rows";
import type { HomeShown } from "./home-shown";
import { LastInHand } from "./last-in-hand";
import { NextJob } from "./next-job";
import { ReadWords } from "./read-words";

interface HomeViewProps {
  readonly home: HomeShown;
  readonly shelf: Pick<SheetShelf, "cables" | "styles">;
  readonly onPick: (end: PickedEnd) => void;
}

/** Rows shown before more are asked for. */
const SHOWN = 4;

/** The first page: what this is, one field over every cable and connector, what was last in hand, the next job. */
function HomeView({ home: { last, next, ends }, shelf, onPick }: HomeViewProps) {
  const [question, setQuestion] = useState("");
  const [value, setValue] = useState("");
  const [more, setMore] = useState(false);
  const router = useRouter();
  const { ref, width } = useWidth<HTMLDivElement>(1100);
  const entries = useMemo(() => findable(shelf.cables, shelf.styles), [shelf.cables, shelf.styles]);
  const { fits, near, unknown, reads } = useMemo(() => findEnds(question, entries), [question, entries]);
  const all = [...fits, ...near];
  const rows = more ? all.slice(0, 40) : all.slice(0, SHOWN);
  useHotkeys("g", () => last && router.push(last.href), [last, router]);
  useHotkeys("j", () => router.push(next ? `/jobs/${next.id}` : "/jobs"), [next, router]);
  const ask = (typed: string) => {
    setQuestion(typed);
    setMore(false);
    const [best] = [...findEnds(typed, entries).fits, ...findEnds(typed, entries).near];
    setValue(best ? pairKey(best.cable.id, best.style.id) : "");
  };
  const isAsked = question.trim() !== "";
  const others = isAsked ? otherThings(question, shelf.styles) : [];
  return (
    <div ref={ref}>
      <ThumbTextures />
      <h1 className="px-4 pt-5 pb-3 font-bold text-2xl leading-tight sm:px-12 sm:pt-8">
        {t("where-to-mark-and-cut-a")}
      </h1>
      <Command
        shouldFilter={false}
        label={t("cable-and-connector")}
        value={value}
        onValueChange={setValue}
        loop
      >
        <FinderField question={question} ask={ask} fits={fits.length} near={near.length} reads={reads} />
        {isAsked && unknown.length > 0 && others.length === 0 && (
          <p className="mx-4 mt-3 rounded-md bg-note px-4 py-2 sm:mx-12">
            <strong>{t("not-on-the-shelf")}</strong> {unknown.join(", ")}.{" "}
            {near.length > 0 ? t("what-comes-near-is-below") : t("try-a-cable-s-size-or")}
          </p>
        )}
        <Command.List className={rows.length > 0 ? "mt-4" : ""}>
          <FoundRows rows={rows} fits={fits.length} ends={ends} room={width} onPick={onPick} />
        </Command.List>
      </Command>
      {rows.length > 0 && (
        <FoundTape room={width} rows={rows} ends={ends}>
          {all.length > rows.length && !more && (
            <button
              type="button"
              onClick={() => setMore(true)}
              className="min-h-11 px-2 font-semibold underline"
            >
              {t("more-near", { value: all.length - rows.length })}
            </button>
          )}
        </FoundTape>
      )}
      <OtherThings things={others} onPick={onPick} />
      {(last || next) && (
        <div
          className={`no-print grid border-line lg:grid-cols-[3fr_2fr] ${rows.length > 0 ? "" : "mt-5 border-t"}`}
        >
          {last && <LastInHand last={last} />}
          {next && <NextJob next={next} />}
        </div>
      )}
    </div>
  );
}

interface FinderFieldProps {
  readonly question: string;
  readonly ask: (typed: string) => void;
  /** How many ends fit, and how many come near. */
  readonly fits: number;
  readonly near: number;
  readonly reads: ReturnType<typeof findEnds>["reads"];
}

/** The field over every cable and connector, and how many of them it finds. */
function FinderField({ question, ask, fits, near, reads }: FinderFieldProps) {
  const isAsked = question.trim() !== "";
  return (
    <div className="relative px-4 sm:px-12">
      <Search aria-hidden="true" className="absolute top-5 left-8 size-7 text-soft sm:left-[4.2rem]" />
      <Command.Input
        autoFocus
        value={question}
        onValueChange={ask}
        maxLength={120}
        onKeyDown={(event) => {
          if (event.key !== "Escape") return;
          if (question === "") event.currentTarget.blur();
          else ask("");
        }}
        aria-label={t("cable-and-connector")}
        placeholder={t("3-mm-cord-sc-wedge")}
        className="min-h-18 w-full rounded-lg border-3 border-ink bg-field pr-4 pl-14 font-bold text-2xl outline-none placeholder:font-normal placeholder:text-ghost focus:border-now sm:pr-44 sm:pl-[4.2rem] sm:text-4xl"
      />
      {isAsked && (
        <p role="status" className="mt-1 text-soft sm:absolute sm:top-6 sm:right-16 sm:mt-0">
          {t("near", {
            value: fits === 1 ? t("1-fits") : `${fits} fit`,
            length: near,
          })}
        </p>
      )}
      {isAsked && <ReadWords question={question} reads={reads} />}
    </div>
  );
}

interface OtherThingsProps {
  readonly things: ReturnType<typeof otherThings>;
  readonly onPick: HomeViewProps["onPick"];
}

/** Kits and entries that answer the question. */
function OtherThings({ things, onPick }: OtherThingsProps) {
  if (things.length === 0) return null;
  return (
    <ul aria-label={t("kits-and-entries")} className="flex flex-wrap gap-2 px-4 py-3 sm:px-12">
      {things.map(({ style, kind }) => (
        <li key={style.id}>
          {kind === "kit" ? (
            <Button onClick={() => onPick({ cable: null, style, choices: {} })}>
              <span className="font-normal text-soft">{t("kit")}</span> {style.name}
            </Button>
          ) : (
            <Button asChild>
              <Link href={`/entry/${style.id}`}>
                <span className="font-normal text-soft">{t("entry")}</span> {style.name}
              </Link>
            </Button>
          )}
        </li>
      ))}
    </ul>
  );
}

/** A kit or an entry is shown where it answers this well: all its words in the name, or among what is known of it. */
const GOOD = 0.75;
const MOST_OTHERS = 4;

/** Kits and entries by the same words: they have finders of their own, and are shown beside connectors where they fit. */
const otherThings = (question: string, styles: readonly Style[]) =>
  styles
    .map((style) => ({ style, kind: kindOf(style) }))
    .filter(({ style, kind }) => kind !== "connector" && !style.id.endsWith("-through"))
    .map((thing) => ({
      ...thing,
      rank: matchRank(question, thing.style.name, thing.style.about, styleWords(thing.style)),
    }))
    .filter(({ rank }) => rank > GOOD)
    .sort((a, b) => b.rank - a.rank)
    .slice(0, MOST_OTHERS);

interface HomePageProps extends Omit<ComponentProps<typeof SheetView>, "first"> {
  readonly home: HomeShown;
}

/** The first page over the sheet it becomes once something is picked. */
export const HomePage = ({ home, ...sheet }: HomePageProps) => (
  <SheetView {...sheet} first={(onPick) => <HomeView home={home} shelf={sheet.shelf} onPick={onPick} />} />
);
