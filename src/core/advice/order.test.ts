import { describe, expect, it } from "vitest";
import { retriesOffered, retryEvent } from "../end/retry";
import type { EventInput } from "../event/event";
import { presentFeatures } from "../measured/as-made";
import { judgementOf } from "../procedure/step";
import type { RunSheet } from "../runsheet/document";
import { shippedSheets } from "../runsheet/fixtures/shipped-sheets";
import { adviceFor, stateAfter } from "./fixtures/ends";
import { nextLine, reworkEvent } from "./take";

/** Everything that can be seen to be wrong with an end standing at a line: faults of its end, and bad answers there. */
function* wrongs(
  sheet: RunSheet,
  at: number,
): Generator<{ wrong: string; event: EventInput; seen: { judgement: string; answer: string } | null }> {
  const end = presentFeatures(sheet, at)
    .filter(({ kind, madeAt }) => kind === "end" && madeAt >= 0)
    .at(-1);
  const leg = sheet.cable.legs[0] ?? "";
  for (const fault of end ? (["bad-cleave", "touched", "aged", "nick"] as const) : [])
    yield {
      wrong: fault,
      event: { kind: "fault", leg, feature: end?.id as string, what: fault, at: null, on: true },
      seen: null,
    };
  const judgement = sheet.lines[at] && judgementOf(sheet.lines[at].step);
  for (const { id } of judgement?.answers.filter(({ good }) => !good) ?? []) {
    const seen = { judgement: judgement?.id as string, answer: id };
    yield { wrong: `${seen.judgement}: ${id}`, event: { kind: "answer", ...seen }, seen };
  }
}

/** The lines walked from taking a redo until the fibre next goes in or the end is done. */
function walkedToEntry(sheet: RunSheet, event: ReturnType<typeof reworkEvent>): number[] {
  const walked: number[] = [];
  let inHand: ReturnType<typeof reworkEvent> | null = event;
  for (let at = event.to; at < sheet.lines.length; ) {
    walked.push(at);
    if (["insert", "fuse"].includes(sheet.lines[at]?.step.kind ?? "")) break;
    if (inHand && at >= inHand.back) inHand = null;
    at = nextLine({ inHand, at });
  }
  return walked;
}

const LOOKS = ["coating-off", "glass-sound"];

describe("whatever is seen to be wrong, at whatever step, and whichever way is taken", () => {
  it("no fibre goes in that was not stripped, wiped, looked at, cleaved and looked at again, in this order", () => {
    let taken = 0;
    const lost: string[] = [];
    for (const { name, sheet } of shippedSheets)
      for (const { index } of sheet.lines)
        for (const { wrong: subject, event: wrong, seen } of wrongs(sheet, index)) {
          const state = stateAfter({ kind: "step", to: index }, wrong);
          for (const advice of adviceFor(sheet, state, seen)) {
            if (advice.kind !== "rework") continue;
            for (const plan of ["least", "recommended"] as const) {
              const event = reworkEvent(advice, plan);
              const moved = event.moves.flatMap(
                ({ feature }) => sheet.features.find(({ id }) => id === feature)?.ends ?? [],
              );
              const stripped = moved.includes("coating");
              if (!stripped && !moved.includes("glass")) continue;
              taken += 1;
              const walked = walkedToEntry(sheet, event);
              const line = (is: (line: RunSheet["lines"][number]) => boolean) =>
                sheet.lines.filter(is).map((line) => line.index);
              const questionOf = (ids: readonly string[]) =>
                line(({ step }) => ids.includes(judgementOf(step)?.id ?? ""));
              const owed = [
                ...(stripped
                  ? [
                      ...line(({ bares }) => bares.some(({ layer }) => layer === "coating")).slice(-1),
                      ...line(({ step }) => step.id === "clean"),
                      ...questionOf(LOOKS),
                    ]
                  : []),
                ...line(({ step }) => step.kind === "cleave"),
                ...questionOf(["clean-cleave"]),
              ].sort((a, b) => a - b);
              const missing = owed.filter((value) => !walked.includes(value));
              const inOrder = walked.every((value, i) => i === 0 || value > (walked[i - 1] as number));
              if (missing.length > 0 || !inOrder)
                lost.push(
                  `${name}, ${subject} at ${sheet.lines[index]?.step.id}, ${plan}: without ${missing.map((value) => sheet.lines[value]?.step.id).join()}`,
                );
            }
          }
        }
    expect(lost).toEqual([]);
    expect(taken).toBeGreaterThan(1000);
  });
  it("what is made anew is read again before the end can be done", () => {
    for (const { name, sheet } of shippedSheets)
      for (const { index } of sheet.lines)
        for (const { event: wrong, seen } of wrongs(sheet, index)) {
          const state = stateAfter({ kind: "step", to: index }, wrong);
          for (const advice of adviceFor(sheet, state, seen)) {
            if (advice.kind !== "rework") continue;
            const event = reworkEvent(advice, "recommended");
            const moved = event.moves.map(({ feature }) => feature);
            const touched = sheet.checks.filter(
              ({ leg, from, to }) => leg === event.leg && (moved.includes(from) || moved.includes(to)),
            );
            expect([name, touched.filter(({ id }) => !event.voids.checks.includes(id))]).toEqual([name, []]);
          }
        }
  });
  it("no reading of a leg survives going back to before what it lies between was made on that leg", () => {
    let voided = 0;
    for (const { name, sheet } of shippedSheets)
      for (const line of sheet.lines)
        for (const { seen } of wrongs(sheet, line.index))
          for (const leg of seen ? legsOf(sheet) : []) {
            const { judgement, answer } = seen as { judgement: string; answer: string };
            for (const offer of retriesOffered(sheet, stateAfter(), judgement, answer, leg)) {
              const own = offer.rule.each ? leg : "";
              const event = retryEvent(sheet, offer, judgement, answer, own);
              const anew = sheet.features.filter(
                ({ madeAt, cutAt }) => Math.max(madeAt, cutAt ?? -1) >= offer.to,
              );
              const touched = sheet.checks.filter(
                (check) =>
                  (own === "" || check.leg === own) &&
                  anew.some(({ id }) => id === check.from || id === check.to),
              );
              voided += touched.length;
              expect([name, touched.filter(({ id }) => !event.voids.checks.includes(id))]).toEqual([
                name,
                [],
              ]);
              const others = sheet.checks.filter(({ leg: of }) => own !== "" && of !== own);
              expect([name, others.filter(({ id }) => event.voids.checks.includes(id))]).toEqual([name, []]);
            }
          }
    expect(voided).toBeGreaterThan(500);
  });
});

const legsOf = ({ cable }: RunSheet): readonly string[] => (cable.legs.length > 1 ? cable.legs : [""]);
