"use client";

import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { v4 as uuid } from "uuid";
import { BATCH_LIMIT, type ResolvedSelection } from "@/core";
import { t } from "@/messages/sheet";
import { ConfirmPanel } from "../confirm/confirm-panel";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { call } from "../http/http";
import { ruleOf } from "../prefs/prefs";
import { usePrefs } from "../prefs/prefs-context";
import { type Hand, type Selection, writeSelection } from "./selection";
import { WhichInterface } from "./which-interface";

type SheetResolved = Extract<ResolvedSelection, { kind: "sheet" }>;

interface Starting extends Pick<SheetResolved, "cable" | "procedure" | "core" | "choices"> {
  readonly hand: Hand | null;
  readonly purpose: "practice" | "work";
}

/** Begins an end or a batch and goes to its bench. */
function useStart({ cable, procedure, core, choices, hand, purpose }: Starting) {
  const router = useRouter();
  const { prefs } = usePrefs();
  const [state, setState] = useState<{ busy: boolean; failed: string | null }>({ busy: false, failed: null });
  /** Sent again after no answer came, it is the same end or batch: never a second one. */
  const wanted = useRef({ sheet: "", id: "" });

  const send = async (how: number, revision: number) => {
    setState({ busy: true, failed: null });
    const rule = ruleOf(prefs);
    const sheetWanted = { cable: cable.id, procedure: procedure.id, revision, core, choices, rule, purpose };
    const key = JSON.stringify([how, sheetWanted, hand?.question]);
    // Another sheet, or as many ends of it, is another end.
    if (wanted.current.sheet !== key) wanted.current = { sheet: key, id: uuid() };
    const body = { id: wanted.current.id, ...sheetWanted };
    const answer = hand
      ? await call("post /pieces/{id}/ends", {
          params: { id: hand.question.piece },
          body: {
            id: wanted.current.id,
            side: hand.place.side,
            addresses: [hand.place.address],
            style: { procedure: procedure.id, revision, choices },
            rule,
            purpose,
            by: prefs.person,
          },
        })
      : how > 1
        ? await call("post /batches", { body: { ...body, count: how } })
        : await call("post /ends", { body: body });
    if (answer.ok) router.push(how > 1 ? `/bench/batch/${answer.value.id}` : `/bench/${answer.value.id}`);
    else {
      if (answer.problem.code !== "offline") wanted.current = { sheet: "", id: "" };
      setState({ busy: false, failed: answer.problem.message });
    }
  };
  return { state, send };
}

interface HowManyProps {
  readonly typed: string;
  readonly refused: boolean;
  readonly onType: (typed: string) => void;
  readonly onEnter: () => void;
}

/** How many ends are begun. */
function HowMany({ typed, refused, onType, onEnter }: HowManyProps) {
  return (
    <label className="flex min-h-12 items-center gap-1.5 rounded-lg border border-line bg-raised pl-3">
      <span className="text-soft text-sm">{t("ends")}</span>
      <input
        type="number"
        min={1}
        max={BATCH_LIMIT}
        value={typed}
        aria-invalid={refused}
        onChange={(event) => onType(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== "Enter") return;
          // Left to the browser, this Enter would go on into the form that opens and send it.
          event.preventDefault();
          onEnter();
        }}
        className="figures min-h-12 w-14 bg-transparent px-1 font-bold text-lg"
      />
    </label>
  );
}

/** How many ends are wanted, as typed, and why that many cannot be begun. */
function useCount() {
  const [typed, setTyped] = useState("1");
  const count = /^\d+$/.test(typed.trim()) ? Number(typed) : Number.NaN;
  const refused =
    count >= 1 && count <= BATCH_LIMIT
      ? null
      : t("is-not-taken-1-to-ends", { value: typed || t("nothing"), batch_limit: BATCH_LIMIT });
  return { typed, setTyped, count, refused };
}

/** Why nothing can be begun, or was not. */
const BeginProblems = ({ refused, failed }: { refused: string | null; failed: string | null }) => (
  <>
    {refused && (
      <p role="alert" className="text-out text-sm">
        {refused}
      </p>
    )}
    {failed && (
      <p role="alert" className="max-w-60 text-out text-sm">
        {t("press-again-to-retry", { failed: failed })}
      </p>
    )}
  </>
);

/** The way to the sheet's strip card. */
const CardLink = (of: Pick<Selection, "cable" | "style" | "core" | "choices">) => (
  <Button asChild>
    <Link href={`/card?${writeSelection({ place: null, ...of })}`}>{t("strip-card")}</Link>
  </Button>
);

/** Marks the end as practice. */
const PracticeTick = ({ on, onTick }: { on: boolean; onTick: (on: boolean) => void }) => (
  <label className="flex min-h-12 items-center gap-1.5 px-1">
    <input
      type="checkbox"
      checked={on}
      onChange={({ target }) => onTick(target.checked)}
      className="size-5 accent-(--now)"
    />
    <span className="text-sm">{t("practice")}</span>
  </label>
);

/** From a sheet to the bench: one end or a batch. Figures nobody has checked yet are asked about first. */
export function Begin({
  resolved: { cable, procedure, core, choices, sheet, ask },
  hand,
  onChoice,
}: {
  resolved: SheetResolved;
  /** The place of a piece it is to be made at; null for an end by itself. */
  hand: Hand | null;
  onChoice: (choice: string, option: string) => void;
}) {
  const router = useRouter();
  const [asking, setAsking] = useState<{ count: number } | null>(null);
  const { typed, setTyped, count, refused } = useCount();
  const [practice, setPractice] = useState(false);
  const purpose: "practice" | "work" = practice ? "practice" : "work";
  const [which, setWhich] = useState(false);
  const { state, send } = useStart({ cable, procedure, core, choices, hand, purpose });
  const start = (how: number, revision: number) => {
    setAsking(null);
    send(how, revision);
  };
  const begin = () => {
    if (refused) return;
    if (ask) setWhich(true);
    else if (sheet.procedure.representative) setAsking({ count });
    else start(count, procedure.revision);
  };
  const toBench = useRef<HTMLButtonElement>(null);
  // A letter struck by accident begins nothing: it goes to the button, and Enter there begins.
  useHotkeys("b", () => toBench.current?.focus(), {
    enabled: !state.busy && asking === null && !which,
    preventDefault: true,
  });
  return (
    <div className="ml-auto flex flex-wrap items-center gap-2">
      <BeginProblems refused={refused} failed={state.failed} />
      <Button onClick={() => window.print()} aria-keyshortcuts="P">
        {t("print")}
      </Button>
      <CardLink cable={cable.id} style={procedure.id} core={core} choices={choices} />
      {!hand && <HowMany typed={typed} refused={refused !== null} onType={setTyped} onEnter={begin} />}
      <PracticeTick on={practice} onTick={setPractice} />
      <Button
        ref={toBench}
        look="next"
        onClick={begin}
        disabled={state.busy || refused !== null}
        aria-keyshortcuts="B Enter"
        className="flex-1 whitespace-nowrap"
      >
        {count > 1 ? t("batch-of", { count }) : practice ? t("practise") : t("to-the-bench")}
      </Button>
      {which && (
        <WhichInterface
          question={ask}
          onClose={() => setWhich(false)}
          onPick={(option) => {
            if (ask) onChoice(ask.choice, option);
          }}
          onPicked={() => {
            setWhich(false);
            begin();
          }}
        />
      )}
      {asking && (
        <ConfirmPanel
          {...{ procedure, cable, core, choices }}
          place={hand?.question}
          onClose={() => setAsking(null)}
          onKept={(revision) => {
            router.refresh();
            start(asking.count, revision);
          }}
          onLater={() => start(asking.count, procedure.revision)}
        />
      )}
    </div>
  );
}
