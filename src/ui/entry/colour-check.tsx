"use client";

import { useState } from "react";
import { beforeCut, FIBRE_COLOURS, type Identity, type SeenElement } from "@/core";
import { t } from "@/messages/entry";
import { FIBRE_PAINT } from "../band/fibre-paint";
import { Button } from "../controls/button";
import { colourText } from "../words/fibre-text";

type Seen = { readonly tube: SeenElement | null; readonly fibre: SeenElement | null };

interface ColourCheckProps {
  readonly wanted: Pick<Identity, "tube" | "fibre">;
  /** What a tube is in this cable: tube, ribbon, unit. */
  readonly kind: string;
  /** Told once both are said, or what was said first is not it; with what was seen. */
  readonly onAnswer?: (may: "cut" | "not", seen: Seen) => void;
}

/** Asks for the colours in the hand before anything is cut, and says whether it may be. */
export function ColourCheck({ wanted, kind, onAnswer }: ColourCheckProps) {
  const [seen, setSeen] = useState<Seen>({
    tube: null,
    fibre: null,
  });
  const [tracers, setTracers] = useState(0);
  const answer = beforeCut(wanted, seen);
  const requested = answer.may === "ask" ? answer.about : null;
  const word = wordOf(kind);
  const say = (text: SeenElement) => {
    if (!requested) return;
    const next = { ...seen, [requested]: text };
    setSeen(next);
    setTracers(0);
    const { may } = beforeCut(wanted, next);
    if (may !== "ask") onAnswer?.(may, next);
  };
  const again = () => setSeen({ tube: null, fibre: null });
  return (
    <div>
      {requested && (
        <>
          <p className="mb-2">{t("what-do-you-see-on-the", { word: word(requested) })}</p>
          <fieldset className="grid min-w-0 grid-cols-4 gap-2 sm:grid-cols-6">
            <legend className="sr-only">{t("colour-of-the", { word: word(requested) })}</legend>
            {FIBRE_COLOURS.map(({ code, name }) => (
              <button
                key={code}
                type="button"
                title={name}
                aria-label={`${code}, ${name}`}
                onClick={() => say({ code, tracers })}
                className="min-h-12 rounded-md border-2 border-ink font-bold"
                style={{ background: FIBRE_PAINT[code].ground, color: FIBRE_PAINT[code].letters }}
              >
                {code}
              </button>
            ))}
          </fieldset>
          <div className="mt-2 flex flex-wrap items-center gap-2">
            <Button size="small" aria-pressed={tracers > 0} onClick={() => setTracers((tracers + 1) % 4)}>
              {tracers === 0 ? t("no-tracer-on-it") : colourText({ code: "", tracers }).trim()}
            </Button>
            <Button size="small" onClick={() => say("doubtful")}>
              {t("i-cannot-tell")}
            </Button>
          </div>
        </>
      )}
      <ColourAnswer answer={answer} wanted={wanted} kind={kind} />
      {answer.may !== "ask" || seen.tube !== null ? (
        <Button look="quiet" onClick={again} className="mt-2">
          {t("say-it-again")}
        </Button>
      ) : null}
      <p className="mt-2 text-soft text-sm">
        {t("wanted-fibre-anything-else-and-nothing", {
          kind,
          position: wanted.tube.position,
          position2: wanted.fibre.position,
        })}
      </p>
    </div>
  );
}

const wordOf =
  (kind: string) =>
  (about: "tube" | "fibre"): string =>
    about === "tube" ? kind : "fibre";

interface ColourAnswerProps extends Pick<ColourCheckProps, "wanted" | "kind"> {
  readonly answer: ReturnType<typeof beforeCut>;
}

/** Whether it may be cut, and why not. */
function ColourAnswer({ answer, wanted, kind }: ColourAnswerProps) {
  const word = wordOf(kind);
  return (
    <div aria-live="assertive" className="mt-3">
      {answer.may === "cut" && (
        <p className="rounded-lg border-2 border-in px-3 py-2">
          <strong className="text-in">
            {t("this-is-it-fibre", {
              kind,
              colourText: colourText(wanted.tube),
              colourText2: colourText(wanted.fibre),
            })}
          </strong>{" "}
          {t("cut-this-one-and-no-other")}
        </p>
      )}
      {answer.may === "not" && (
        <p className="rounded-lg border-2 border-out px-3 py-2">
          <strong className="text-out">{t("do-not-cut")}</strong>{" "}
          {answer.seen === "doubtful"
            ? t("clean-the-look-in-daylight-count", { word: word(answer.about) })
            : t("that-is-the-one-to-part", {
                word: word(answer.about),
                colourText: colourText(answer.seen),
                colourText2: colourText(wanted[answer.about]),
              })}
        </p>
      )}
    </div>
  );
}
