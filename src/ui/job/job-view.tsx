"use client";

import { Copy, Trash2 } from "lucide-react";
import { useRouter } from "next/navigation";
import { toast } from "sonner";
import { z } from "zod";
import {
  type Across,
  type Cable,
  type Closure,
  type FeederAnswer,
  type Job,
  type PieceAnswer,
  type PieceNeeds,
  type PiecePlan,
  placeSides,
  zPiecePlan,
} from "@/core";
import { t } from "@/messages/jobs";
import { Textures } from "../band/textures";
import { Button } from "../controls/button";
import { IconButton } from "../controls/icon-button";
import { Link } from "../controls/link";
import { PageLink } from "../controls/page-link";
import { call } from "../http/http";
import { PieceBand } from "../piece-band/piece-band";
import { FiguresFirst } from "../plan/figures-first";
import { metresText, unsaidText } from "../plan/metres";
import { Mismatch } from "../plan/mismatch";
import { offerUndo } from "../plan/offer-undo";
import { sendPlan } from "../plan/save-plans";
import { ProgressLine } from "../plan/standing";
import { sheetHref, useBegin } from "../plan/use-begin";
import { usePrefs } from "../prefs/prefs-context";
import { AddPieces } from "./add-pieces";
import { Closures } from "./closures";
import { Feeders } from "./feeders";
import { FindForm } from "./find-form";
import { PlaceStrip } from "./place-strip";
import { RenamePieces } from "./rename-pieces";
import { type Left, StillToMake } from "./still-to-make";

/** The end to go on with, as the job's page offers it. */
interface Onward {
  readonly piece: string;
  readonly name: string;
  readonly place: PieceAnswer["places"][number];
  /** The place as it is said. */
  readonly at: string;
  readonly style: string;
  /** Whether its figures must be asked about first, on its sheet. */
  readonly rough: boolean;
}

/** A piece as the job's page shows it: what it needs, or why that cannot be worked out. */
interface PieceLine {
  readonly id: string;
  readonly revision: number;
  readonly plan: PiecePlan;
  readonly cable: Cable | null;
  readonly places: PieceAnswer["places"];
  readonly needs: PieceNeeds | null;
  readonly mismatches: readonly Across[];
  readonly problem: string | null;
}

interface JobViewProps extends Pick<Job, "id" | "name" | "count" | "found" | "progress" | "next"> {
  readonly pieces: readonly PieceLine[];
  readonly cables: readonly Cable[];
  /** What was looked for, and whether this is not the first page. */
  readonly words: string;
  readonly further: boolean;
  readonly closures: readonly Pick<Closure, "id" | "revision" | "plan">[];
  readonly feeders: readonly Pick<FeederAnswer, "id" | "revision" | "plan">[];
  readonly entries: readonly { readonly id: string; readonly name: string }[];
  /** The end to go on with; null where all is done or nothing is planned. */
  readonly onward: Onward | null;
  /** Sums of its open ends; null where none is left. */
  readonly left: Left | null;
}

/** A job: its pieces under one another, each with what it must be cut to and how its ends stand. */
export function JobView({
  id,
  name,
  count,
  found: index,
  progress,
  next,
  pieces,
  cables,
  words,
  further,
  closures,
  feeders,
  entries,
  onward,
  left,
}: JobViewProps) {
  const total = pieces.reduce((sum, { needs }) => sum + (needs?.cut ?? 0), 0);
  const whole = !further && next === null && words === "";
  return (
    <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="min-w-0 truncate font-bold text-2xl">{name}</h1>
        <p className="mr-auto text-soft">
          {count} {count === 1 ? "piece" : "pieces"} · <span className="figures">{metresText(total)}</span> m{" "}
          {whole ? t("in-all") : t("on-this-page")}
        </p>
        <JobPages id={id} hasPieces={pieces.length > 0} />
      </div>
      <p className="mt-1">
        <ProgressLine progress={progress} />
      </p>
      {left && <StillToMake job={id} left={left} />}
      {onward && <GoOn onward={onward} />}
      {(count > 12 || words !== "") && (
        <FindForm action={`/jobs/${id}`} title={t("find-a-piece")} words={words} />
      )}
      {count === 0 && (
        <p className="mt-4 max-w-prose text-lg">
          {t("no-piece-yet-name-the-first")}{" "}
          <Link href={`/jobs/${id}/grid`} className="underline">
            {t("into-the-grid")}
          </Link>
          .
        </p>
      )}
      {words !== "" && (
        <p role="status" className="mt-2 text-soft">
          {index === 0 ? t("no-piece-has-these-words-in") : t("of-pieces", { found: index, count })}
        </p>
      )}
      <svg width={0} height={0} aria-hidden="true" className="absolute">
        <Textures id={TEXTURES} />
      </svg>
      <ul className="mt-3">
        {pieces.map((piece) => (
          <PieceRow key={piece.id} job={id} piece={piece} />
        ))}
      </ul>
      {(further || next) && (
        <nav aria-label={t("pages")} className="no-print mt-4 flex items-center gap-3">
          {further && <PageLink href={pageHref(id, words)} name={t("first")} />}
          {next && <PageLink href={pageHref(id, words, next)} name={t("further")} />}
        </nav>
      )}
      <AddPieces job={id} cables={cables} pieces={pieces} first={count === 0} />
      {pieces.length > 1 && <RenamePieces pieces={pieces} />}
      <Closures job={id} closures={closures} entries={entries} />
      <Feeders job={id} feeders={feeders} />
    </main>
  );
}

/** The ways to the job's other pages. */
const JobPages = ({ id, hasPieces }: { readonly id: string; readonly hasPieces: boolean }) => (
  <>
    <Button className="no-print" asChild>
      <Link href={`/jobs/${id}/grid`}>{t("as-a-grid")}</Link>
    </Button>
    {hasPieces && (
      <>
        <Button className="no-print" asChild>
          <Link href={`/jobs/${id}/cut-list`}>{t("cut-list")}</Link>
        </Button>
        <Button className="no-print" asChild>
          <Link href={`/jobs/${id}/needs`}>{t("pick-list")}</Link>
        </Button>
        <Button className="no-print" asChild>
          <Link href={`/jobs/${id}/print`}>{t("print-for-the-job")}</Link>
        </Button>
        <Button className="no-print" asChild>
          <a href={`/api/v1/jobs/${id}/plan`} download="arlent-plan.json">
            {t("save-the-plan")}
          </a>
        </Button>
      </>
    )}
  </>
);

/** What the bands of all pieces are filled with, once on the page. */
const TEXTURES = "pieces";

const pageHref = (job: string, words: string, after?: string): string =>
  `/jobs/${job}?${new URLSearchParams({ ...(words ? { words } : {}), ...(after ? { after } : {}) })}`;

/** What to do next in the job, one touch from the bench. */
function GoOn({ onward: { piece, name, place, at, style, rough } }: { onward: Onward }) {
  const { begin, busy, problem, asking } = useBegin(piece);
  const { side, address, standing, end, batch } = place;
  return (
    <div className="no-print mt-3 flex flex-wrap items-center gap-x-4 gap-y-2 rounded-lg border border-line bg-raised px-4 py-2">
      <FiguresFirst asking={asking} />
      <p className="mr-auto min-w-0">
        <span className="block text-soft text-sm">{t("next")}</span>
        <span className="font-bold">
          {name}, {at}
        </span>{" "}
        <span className="text-soft">{style}</span>
      </p>
      {problem && (
        <p role="alert" className="max-w-80 text-out text-sm">
          {problem}
        </p>
      )}
      {standing === "bench" && end !== null ? (
        <Button look="next" asChild>
          <Link href={batch ? `/bench/batch/${batch}?end=${end}` : `/bench/${end}`}>
            {t("go-on-at-the-bench")}
          </Link>
        </Button>
      ) : rough ? (
        <Button look="next" asChild>
          <Link href={sheetHref(piece, place)}>{t("its-sheet")}</Link>
        </Button>
      ) : (
        <Button look="next" disabled={busy} onClick={() => begin(side, [address])}>
          {t("to-the-bench")}
        </Button>
      )}
    </div>
  );
}

function PieceRow({ job, piece }: { job: string; piece: PieceLine }) {
  const { plan, needs, cable, problem } = piece;
  const { prefs } = usePrefs();
  const router = useRouter();
  const takeOff = async () => {
    const answer = await sendPlan({ id: piece.id, basis: piece.revision, plan: null }, prefs.person);
    if (!answer.ok) return void toast.error(answer.problem.message);
    router.refresh();
    offerUndo({
      label: t("is-taken-off-the-job", { name: plan.name }),
      changes: [{ id: piece.id, basis: answer.value.revision, plan }],
      by: prefs.person,
      onDone: router.refresh,
    });
  };
  const duplicate = async () => {
    const copy = { ...plan, name: t("copy", { name: plan.name }).slice(0, 200) };
    const answer = await call("post /jobs/{id}", {
      params: { id: job },
      body: {
        pieces: [{ plan: z.encode(zPiecePlan, copy) }],
        by: prefs.person,
      },
    });
    if (answer.ok) router.refresh();
    else toast.error(answer.problem.message);
  };
  return (
    <li className="grid items-center gap-x-4 gap-y-1 border-line border-b py-2 md:grid-cols-[minmax(0,1fr)_minmax(0,1.4fr)_9rem_auto]">
      <Link href={`/jobs/${job}/${piece.id}`} className="min-h-12 min-w-0 hover:underline">
        <span className="block truncate font-bold text-lg">{plan.name}</span>
        <span className="block truncate text-soft text-sm">
          {cable?.name ?? plan.cable}
          {[plan.sides.A.place, plan.sides.B.place].some(Boolean) &&
            t("to", { value: plan.sides.A.place || "?", value2: plan.sides.B.place || "?" })}
        </span>
      </Link>
      <div className="min-w-0">
        {needs && cable ? <PieceBand cable={cable} needs={needs} small textures={TEXTURES} /> : null}
        {piece.places.length > 0 && (
          <p className="flex flex-wrap gap-x-6 gap-y-1 pb-1">
            {placeSides(plan).map((side) => (
              <PlaceStrip key={side} places={piece.places} side={side} plan={plan} />
            ))}
          </p>
        )}
        {problem && <p className="text-out">{problem}</p>}
        <Mismatch all={piece.mismatches} />
      </div>
      <p className="text-right">
        {needs ? (
          <>
            <span className="figures font-bold text-xl">{metresText(needs.cut)}</span> m
            {needs.unsaid.length > 0 && (
              <span
                className="block text-sm"
                title={needs.unsaid.map((each) => unsaidText(each, plan)).join("; ")}
              >
                {t("so-far-not-said", { length: needs.unsaid.length })}
              </span>
            )}
          </>
        ) : (
          <span className="text-soft">{t("not-known")}</span>
        )}
      </p>
      <div className="no-print flex">
        <IconButton name={`Duplicate ${plan.name}`} onClick={duplicate}>
          <Copy aria-hidden="true" className="size-5" />
        </IconButton>
        <IconButton name={t("take-off-the-job", { name: plan.name })} onClick={takeOff}>
          <Trash2 aria-hidden="true" className="size-5" />
        </IconButton>
      </div>
    </li>
  );
}
