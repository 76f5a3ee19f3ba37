"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { z } from "zod";
import { type ClosureAnswer, type ClosureAtWork, type Splicing, slotAt, zClosurePlan } from "@/core";
import { t } from "@/messages/closure-work";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { call } from "../http/http";
import { usePrefs } from "../prefs/prefs-context";
import { Cooling } from "./cooling";
import { Laying, useLaying } from "./laying";
import { MakeSplice } from "./make-splice";
import { SpliceList } from "./splice-list";
import { TrayDrawing } from "./tray-drawing";
import type { ClosureWorkHeld } from "./use-closure-work";

interface SpliceStageProps {
  readonly closure: ClosureAnswer;
  readonly at: ClosureAtWork;
  readonly splicing: readonly Splicing[];
  readonly href: string;
  readonly held: ClosureWorkHeld;
}

/** Splices tray by tray: the tray, the list, and the one in hand. */
export function SpliceStage({ held, closure, at, splicing, href }: SpliceStageProps) {
  const { work, events, happen } = held;
  const { trays } = at.entry;
  const [picked, setPicked] = useState<string | null>(null);
  // Once one was made by its form, the next is typed without a touch in between.
  const [goesOn, setGoesOn] = useState(false);
  const next =
    work.splices.find(({ standing }) => standing === "out") ??
    work.splices.find(({ standing }) => standing === "open");
  const inHand = work.splices.find(({ splice }) => splice.id === picked) ?? next ?? null;
  const move = useMoveSplice(closure);
  const tray = (inHand?.splice.slot && trays && slotAt(trays, inHand.splice.slot)?.tray) || 1;
  const laying = useLaying(at, tray, work.splices);
  const openRows = work.splices.filter(({ standing }) => standing === "open" || standing === "out").length;
  return (
    <>
      {work.open.splices > openRows && (
        <p className="rounded-md border-2 border-unsure px-3 py-2">
          {t("open-plan-first")}{" "}
          <Link href={`${href}/splices`} className="underline">
            {t("open-plan")}
          </Link>
        </p>
      )}
      <TrayPick trays={trays} splices={work.splices} tray={tray} onPick={setPicked} />
      {trays && work.splices.length > 0 && (
        <TrayDrawing
          trays={trays}
          tray={tray}
          at={at}
          splices={work.splices}
          picked={inHand?.splice.id ?? null}
          onPick={setPicked}
          onSlot={(slot) => inHand && void move(inHand.splice.id, slot)}
          played={laying.played}
        />
      )}
      <Laying key={tray} {...laying} />
      <Cooling work={work} events={events} splicing={splicing} />
      {inHand && (
        <MakeSplice
          splicing={splicing}
          state={inHand}
          number={work.splices.indexOf(inHand) + 1}
          at={at}
          taken={work.splices.flatMap(({ splice }) =>
            splice.id === inHand.splice.id ? [] : (splice.slot ?? []),
          )}
          onSlot={(slot) => void move(inHand.splice.id, slot)}
          goesOn={goesOn}
          happen={async (event) => {
            const refused = await happen(event);
            if (refused === "" && event.kind === "splice") {
              setGoesOn(true);
              if (event.estimateDb <= at.plan.limitDb) setPicked(null);
            }
            return refused;
          }}
        />
      )}
      <SpliceList splices={work.splices} at={at} picked={inHand?.splice.id ?? null} onPick={setPicked} />
    </>
  );
}

interface TrayPickProps {
  readonly trays: ClosureAtWork["entry"]["trays"];
  readonly splices: ClosureWorkHeld["work"]["splices"];
  readonly tray: number;
  readonly onPick: (splice: string | null) => void;
}

/** Goes to another tray, where the plan uses several. */
function TrayPick({ trays, splices, tray, onPick }: TrayPickProps) {
  if (!trays) return null;
  const trayOf = (slot: string | null) => (slot ? (slotAt(trays, slot)?.tray ?? null) : null);
  const used = [...new Set(splices.flatMap(({ splice }) => trayOf(splice.slot) ?? []))].sort((a, b) => a - b);
  if (used.length < 2) return null;
  return (
    <p className="no-print flex flex-wrap gap-2">
      {used.map((number) => (
        <Button
          key={number}
          size="small"
          look={number === tray ? "strong" : "quiet"}
          onClick={() =>
            onPick(splices.find(({ splice }) => trayOf(splice.slot) === number)?.splice.id ?? null)
          }
        >
          {t("go-to-tray", { tray: number })}
        </Button>
      ))}
    </p>
  );
}

/** Puts a splice into another slot: a change of the closure's plan. */
function useMoveSplice(closure: ClosureAnswer) {
  const { prefs } = usePrefs();
  const router = useRouter();
  return async (id: string, slot: string) => {
    const { splicing } = closure.plan;
    const splices = splicing.splices.map((splice) => (splice.id === id ? { ...splice, slot } : splice));
    await call("post /closures/{id}", {
      params: { id: closure.id },
      body: {
        basis: closure.revision,
        plan: z.encode(zClosurePlan, { ...closure.plan, splicing: { ...splicing, splices } }),
        by: prefs.person,
      },
    });
    router.refresh();
  };
}
