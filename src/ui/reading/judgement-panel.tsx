"use client";

import { useHotkeys } from "react-hotkeys-hook";
import {
  capital,
  type EndEvent,
  type EndState,
  isMidRun,
  type Judgement,
  onLeg,
  type PartedTold,
  type RetryOffer,
  type RunSheet,
  retriesOffered,
  retryEvent,
} from "@/core";
import { t } from "@/messages/reading";
import { onControl } from "../aids/on-control";
import { ChoiceButton } from "../controls/choice";
import { useDigits } from "../keys/use-digits";
import { VerdictSign } from "../words/verdict-sign";
import { PartedCheck } from "./parted-check";

interface JudgementPanelProps {
  readonly sheet: RunSheet;
  readonly state: EndState;
  readonly judgement: Judgement;
  readonly onAdd: (event: EndEvent) => void;
  /** Nothing is left to try: the end is to be cut off. */
  readonly onGiveUp: () => void;
  /** Whether what to rework for it is shown elsewhere, with figures. */
  readonly advised: boolean;
  /** Fibres that are parted where it is made: a judgement by colours is answered by these. */
  readonly parted: readonly PartedTold[];
}

/** What is seen, as big answers; a bad one says what it means and takes back to the step that mends it. */
export function JudgementPanel({
  sheet,
  state,
  judgement,
  onAdd,
  onGiveUp,
  advised,
  parted,
}: JudgementPanelProps) {
  const answer = state.answers[judgement.id];
  const given = judgement.answers.find(({ id }) => id === answer);
  const see = (id: string, shards: number) => {
    if (id === answer) return;
    onAdd({ kind: "answer", judgement: judgement.id, answer: id });
    if (shards > 0) onAdd({ kind: "shards", made: shards, binned: 0 });
  };
  const byColour = judgement.colours === true && parted.length > 0;
  const offers = given
    ? legsOf(sheet).flatMap((leg) =>
        retriesOffered(sheet, state, judgement.id, given.id, leg).map((offer) => ({ ...offer, leg })),
      )
    : [];
  // What the sheet says to do first is said while that is what comes next: once it is used up, what is offered speaks.
  const isGood = given?.good || (!advised && (offers[0]?.left ?? 1) > 0);
  useDigits((index) => {
    const first = byColour ? undefined : judgement.answers[index];
    if (first) see(first.id, first.shards);
  });
  return (
    <fieldset data-look className="grid min-w-0 grid-cols-[minmax(0,1fr)] gap-1.5">
      <legend className="mb-1.5 font-semibold text-lg leading-tight">{judgement.asks}</legend>
      {byColour && <PartedCheck judgement={judgement} parted={parted} given={answer} onAdd={onAdd} />}
      {(byColour ? [] : judgement.answers).map(({ id, sees, good, shards }, i) => (
        <ChoiceButton
          key={id}
          aria-pressed={id === answer}
          aria-keyshortcuts={String(i + 1)}
          onClick={() => see(id, shards)}
          tone={id === answer ? "picked" : "line"}
          className="flex min-h-13 items-center gap-3 text-lg"
        >
          <VerdictSign verdict={good ? "in" : "out"} />
          <span className="min-w-0 flex-1">{sees}</span>
          <kbd aria-hidden="true" className="figures hidden text-soft text-sm lg:block">
            {i + 1}
          </kbd>
        </ChoiceButton>
      ))}
      <div role="status" className="min-h-16 leading-snug">
        {given && (
          <>
            <p>
              {given.means} {isGood && <strong>{given.action}</strong>}
            </p>
            {!given.good && !advised && (
              <Ladder
                sheet={sheet}
                offers={offers}
                onTake={({ leg, ...offer }) =>
                  onAdd(retryEvent(sheet, offer, judgement.id, given.id, offer.rule.each ? leg : ""))
                }
                onGiveUp={onGiveUp}
              />
            )}
          </>
        )}
      </div>
    </fieldset>
  );
}

/** The legs a retry may be counted on by itself; one unnamed where there is but one. */
const legsOf = ({ cable }: RunSheet): readonly string[] => (cable.legs.length > 1 ? cable.legs : [""]);

/** One thing to try, on one leg of several or on all that there is. */
interface LegOffer extends RetryOffer {
  readonly leg: string;
}

interface LadderProps {
  readonly sheet: RunSheet;
  readonly offers: readonly LegOffer[];
  readonly onTake: (offer: LegOffer) => void;
  readonly onGiveUp: () => void;
}

/** What can be tried, the next one large; what was used up stays to be seen. At the limit it stops. */
function Ladder({ sheet, offers, onTake, onGiveUp }: LadderProps) {
  const midRun = isMidRun(sheet);
  const legs = [...new Set(offers.map(({ leg }) => leg))];
  const firsts = legs.flatMap((leg) => offers.find((offer) => offer.leg === leg && offer.left > 0) ?? []);
  const [next] = firsts;
  // Where each leg is tried by itself there is one to take for each; else one for all.
  const offered = next?.rule.each ? firsts : firsts.slice(0, 1);
  useHotkeys("enter", () => (next ? onTake(next) : onGiveUp()), {
    enabled: offers.length > 0,
    ignoreEventWhen: onControl,
  });
  if (offers.length === 0) return null;
  // What was not tried yet is shown when its turn comes.
  const others = offers.filter((offer) => !offered.includes(offer) && (offer.used > 0 || !next));
  return (
    <div className="mt-2 grid gap-1.5">
      {next ? (
        offered.map((offer) => (
          <ChoiceButton
            tone="now"
            key={offer.leg}
            onClick={() => onTake(offer)}
            aria-keyshortcuts={offer === next ? "Enter" : undefined}
            className="min-h-14 py-1"
          >
            <span className="block font-bold">
              {capital(offer.rule.name)}
              {offer.rule.each && onLeg(offer.leg, midRun)}
              {t("back-to")}
              {sheet.lines[offer.to]?.step.title}”
            </span>
            <span className="text-soft text-sm">{spentText(offer)}</span>
          </ChoiceButton>
        ))
      ) : (
        <>
          <p className="font-bold text-out">{t("nothing-is-left-to-try-on")}</p>
          <ChoiceButton tone="out" onClick={onGiveUp} className="min-h-14 font-bold">
            {t("cut-it-off-and-sign-it")}
          </ChoiceButton>
        </>
      )}
      {others.length > 0 && (
        <ul aria-label={t("what-else-can-be-tried")} className="text-soft text-sm leading-tight">
          {others.map(({ rule, used, left, leg }) => (
            <li key={`${rule.id}/${leg}`}>
              {capital(rule.name)}
              {rule.each && onLeg(leg, midRun)}
              {t("of-used", { used, most: rule.most, value: left === 0 ? t("none-left") : "" })}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** How often a rule was used, and what trying it keeps and costs. */
const spentText = ({ used, rule: { most, reuses, newPart } }: RetryOffer): string =>
  [t("of-used-2", { used, most }), reuses && `Kept: ${reuses}`, newPart && `New: ${newPart}`]
    .filter(Boolean)
    .join(" ");
