"use client";

import { RadioGroup } from "radix-ui";
import { useHotkeys } from "react-hotkeys-hook";
import { type EndAdvice, isMidRun, onLeg, type ReworkInHand, type RunSheet } from "@/core";
import { t } from "@/messages/advice";
import { onControl } from "../aids/on-control";
import { ChoiceButton } from "../controls/choice";
import type { Units } from "../words/length-text";
import {
  careWords,
  causeWords,
  costWords,
  disagreeWords,
  moveWords,
  planCost,
  reworkHeading,
  stoppedWords,
} from "./advice-words";

/** What the band shows: the end as it lies, or as one of the two ways would leave it. */
const WAYS = ["now", "least", "recommended"] as const;
export type BandView = (typeof WAYS)[number];

interface AdvicePanelProps {
  readonly sheet: RunSheet;
  readonly advice: EndAdvice;
  readonly units: Units;
  readonly way: BandView;
  readonly onWay: (way: BandView) => void;
  readonly onTake: (plan: "least" | "recommended") => void;
  readonly onStartOver: () => void;
  /** Whether Enter takes it: only the first piece of advice on the screen. */
  readonly first: boolean;
}

/** What to redo, in steps with their figures; what each way out costs; one touch takes it. */
export function AdvicePanel(props: AdvicePanelProps) {
  const { sheet, advice } = props;
  if (advice.kind === "rework") return <ReworkAdvised {...props} advice={advice} />;
  return (
    <section aria-label={t("what-to-do")} className="grid gap-2 rounded-lg border-2 border-out bg-raised p-3">
      {advice.kind === "read-again" ? (
        <>
          <h2 className="font-bold text-xl leading-tight">{t("read-it-again-before-anything-is")}</h2>
          <p>{disagreeWords(sheet, advice, props.units)}</p>
        </>
      ) : (
        <StartOver {...props} advice={advice} />
      )}
    </section>
  );
}

/** From the start: by the style's own rule within this end, while that allows it; else the end is given up. */
function StartOver({
  sheet,
  advice,
  units,
  first,
  onTake,
  onStartOver,
}: AdvicePanelProps & { readonly advice: Extract<EndAdvice, { kind: "start-over" }> }) {
  const { again } = advice;
  const rule = sheet.retries.find(({ id }) => id === again?.rule);
  useHotkeys("enter", () => onTake("recommended"), {
    enabled: first && again !== null,
    ignoreEventWhen: onControl,
  });
  return (
    <>
      <h2 className="font-bold text-xl leading-tight">
        {again
          ? t("from-the-start")
          : isMidRun(sheet)
            ? t("this-opening-cannot-be-made-shorter")
            : t("this-end-cannot-be-saved")}
        {again?.leg !== undefined && onLeg(advice.leg, isMidRun(sheet))}
        <span className="block font-normal text-base text-soft">{causeWords(sheet, advice)}</span>
      </h2>
      <p>{stoppedWords(sheet, advice)}</p>
      <dl className="text-sm leading-tight">
        {isMidRun(sheet) ? (
          <>
            <WayOut name={t("store-what-is-spare")} text={t("a-turn-more-where-it-fits")} />
            <WayOut name={t("leave-the-cable-whole")} text={t("its-fibres-may-be-live-what")} />
          </>
        ) : (
          <WayOut
            name={again ? t("cut-it-back-and-begin-again") : t("cut-off-and-start-over")}
            text={costWords(advice.startOver, units)}
          />
        )}
      </dl>
      {advice.why !== "its-rule" && <CarryOn sheet={sheet} advice={advice} />}
      {again && (
        <ChoiceButton
          onClick={() => onTake("recommended")}
          aria-keyshortcuts={first ? "Enter" : undefined}
          tone="go"
          className="flex min-h-14 flex-wrap items-center gap-x-3 py-1"
        >
          {t("begin-again-back-to")}
          {sheet.lines[again.to]?.step.title}”
          <span className="font-normal text-sm">
            {rule && t("kept", { name: rule.name, reuses: rule.reuses })}
            {first && t("enter")}
          </span>
        </ChoiceButton>
      )}
      {!isMidRun(sheet) && (
        <ChoiceButton onClick={onStartOver} tone={again ? "line" : "out"} className="min-h-14 font-bold">
          {t("cut-it-off-and-sign-it")}
        </ChoiceButton>
      )}
    </>
  );
}

function ReworkAdvised({
  sheet,
  advice,
  units,
  way,
  onWay,
  onTake,
  first,
}: AdvicePanelProps & { readonly advice: Extract<EndAdvice, { kind: "rework" }> }) {
  const plan = way === "least" ? advice.least : advice.recommended;
  const name = way === "least" ? "least" : "recommended";
  useHotkeys("enter", () => onTake(name), { enabled: first, ignoreEventWhen: onControl });
  const care = careWords(sheet, advice, plan);
  return (
    <section aria-label={t("what-to-do")} className="grid gap-2 rounded-lg border-2 border-now bg-raised p-3">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <h2 className="mr-auto font-bold text-xl leading-tight">
          {reworkHeading(sheet, advice, first)}
          <span className="block font-normal text-base text-soft">{causeWords(sheet, advice)}</span>
        </h2>
        <WayPick way={way} onWay={onWay} />
      </div>
      <ol
        className={`list-decimal pl-6 font-semibold leading-snug ${plan.moves.length > 4 ? "" : "text-lg"}`}
      >
        {plan.moves.map((move) => (
          <li key={move.feature}>{moveWords(sheet, move, units)}</li>
        ))}
      </ol>
      {care.map((caution) => (
        <p key={caution} className="text-sm leading-tight">
          {caution}
        </p>
      ))}
      <ChoiceButton
        onClick={() => onTake(name)}
        aria-keyshortcuts={first ? "Enter" : undefined}
        tone="go"
        className="flex min-h-14 flex-wrap items-center gap-x-3 py-1"
      >
        {t("take-it-back-to", { value: plan.trim > 0 ? t("trim-the-end-then") : "" })}
        {sheet.lines[plan.to]?.step.title}”
        <span className="font-normal text-sm">
          {advice.rule
            ? t("of-used-2", {
                name: advice.rule.rule.name,
                value: advice.rule.rule.most - advice.rule.left,
                most: advice.rule.rule.most,
              })
            : t("costs-no-attempt")}
          {first && t("enter")}
        </span>
      </ChoiceButton>
      <dl className="grid grid-cols-3 gap-x-3 text-sm leading-tight">
        <WayOut name={t("least")} text={costWords(planCost(advice.least), units)} />
        <WayOut
          name={t("recommended")}
          text={`${costWords(planCost(advice.recommended), units)}${marginWords(advice.margin)}`}
        />
        {!isMidRun(sheet) && <WayOut name={t("start-over")} text={costWords(advice.startOver, units)} />}
      </dl>
      <CarryOn sheet={sheet} advice={advice} />
    </section>
  );
}

/** Picks what the drawing shows: the end as it is, or as either way would leave it. */
function WayPick({ way, onWay }: Pick<AdvicePanelProps, "way" | "onWay">) {
  return (
    <RadioGroup.Root
      value={way}
      onValueChange={(value) => onWay(WAYS.find((way) => way === value) ?? way)}
      aria-label={t("shown-on-the-cable")}
      className="flex overflow-hidden rounded-md border border-line text-sm"
    >
      {(
        [
          ["now", t("as-it-is")],
          ["least", t("least")],
          ["recommended", t("recommended")],
        ] as const
      ).map(([id, label]) => (
        <RadioGroup.Item
          key={id}
          value={id}
          className="min-h-12 px-3 data-[state=checked]:bg-strong data-[state=checked]:font-semibold data-[state=checked]:text-on-strong"
        >
          {label}
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
  );
}

/** How far inside the limits the recommended way leaves it. */
const marginWords = (margin: number): string =>
  margin < 0.05
    ? t("right-on-a-limit-cut-exactly")
    : margin < 0.95
      ? t("of-the-room-kept", { round: Math.round(margin * 100) })
      : "";

function WayOut({ name, text }: { name: string; text: string }) {
  return (
    <div>
      <dt className="font-semibold">{name}</dt>
      <dd>{text}</dd>
    </div>
  );
}

/** What it means; what to do about it stands in the panel already. */
const firstSentence = (text: string): string => `${text.split(/[.:] /)[0]?.replace(/\.$/, "")}.`;

/** What leaving it as it is would mean. */
function CarryOn({ sheet, advice }: Pick<AdvicePanelProps, "sheet" | "advice">) {
  const meant = advice.carryOn.filter(({ means }) => means);
  if (meant.length === 0) return null;
  return (
    <p className="text-sm leading-tight">
      <strong>{t("left-as-it-is")}</strong>{" "}
      {meant
        .map(
          ({ check, means }) =>
            `${sheet.checks.find(({ id }) => id === check)?.name}: ${firstSentence(means)}`,
        )
        .join(" ")}
    </p>
  );
}

/** What is being redone just now, and where it comes back to. */
export function InHandStrip({ sheet, inHand }: { sheet: RunSheet; inHand: ReworkInHand }) {
  return (
    <p className="mb-2 rounded-md border-now border-l-4 bg-now-wash px-3 py-1.5 leading-tight">
      {t("reworking-the-way-then-back-to", { onLeg: onLeg(inHand.leg, isMidRun(sheet)), plan: inHand.plan })}
      {sheet.lines[inHand.back]?.step.title}”.
    </p>
  );
}
