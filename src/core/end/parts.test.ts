import { describe, expect, it } from "vitest";
import { mustAccept } from "../accept/accept";
import { advise } from "../advice/advise";
import { andThen, GUARDED, readingsOf, stateAfter } from "../advice/fixtures/ends";
import type { EndEvent, EventInput } from "../event/event";
import type { InputError } from "../problem/problem";
import type { RunSheet } from "../runsheet/document";
import { shippedSheets } from "../runsheet/fixtures/shipped-sheets";
import type { EndState } from "./end-state";
import { openPoints } from "./open-points";
import { forgottenParts, outOfOrder, overFaceEvents, partsNeededAt, restartEvent } from "./parts";
import { resultOf } from "./result";

const allOn = ({ parts }: RunSheet): EventInput[] =>
  parts.map(({ id }) => ({ kind: "thread", part: id, on: true }));
const codeOf = (sheet: RunSheet, state: EndState, event: EndEvent): string => {
  try {
    mustAccept(sheet, state, event, GUARDED);
    return "taken";
  } catch (error) {
    return (error as InputError).problem.code;
  }
};
const SIGN: EndEvent = { kind: "sign", name: "Ada", outcome: "kept" };

/** Every part of every sheet, found missing at every step after the one it is threaded on at. */
function* missed() {
  for (const { name, sheet } of shippedSheets)
    for (const part of sheet.parts) {
      const gate = sheet.lines.findIndex(({ parts }) => parts.some(({ id }) => id === part.id));
      // What opens goes on at any time: it is missed once the step that needs it is passed.
      const needed = sheet.lines.findIndex(({ step }) => step.id === part.neededAt);
      const from = part.opens ? needed : gate;
      for (const { index } of sheet.lines.filter((line) => line.index > from)) {
        const state = stateAfter(
          ...allOn(sheet),
          { kind: "step", to: index },
          ...readingsOf(sheet, {}, { upTo: index - 1 }),
          { kind: "thread", part: part.id, on: false },
        );
        yield {
          name: `${name}: ${part.id} at ${sheet.lines[index]?.step.id}`,
          sheet,
          part,
          gate,
          index,
          state,
        };
      }
    }
}

describe("a part found not to be on, whichever, at whatever step", () => {
  it("is told with what it takes, and no end is gone on with or signed without it", () => {
    const counts = { on: 0, shut: 0 };
    for (const { name, sheet, part, index, state } of missed()) {
      const [missing] = forgottenParts(sheet, state);
      expect([name, missing?.part.id]).toEqual([name, part.id]);
      const trap = sheet.lines.findIndex(({ step }) => step.id === part.trappedBy);
      expect([name, missing?.shutOutBy !== null]).toEqual([name, trap >= 0 && index > trap]);
      if (missing?.shutOutBy === null) counts.on += 1;
      else counts.shut += 1;
      expect([name, codeOf(sheet, state, SIGN)]).toEqual([name, "gate"]);
      if (index + 1 < sheet.lines.length)
        expect([name, codeOf(sheet, state, { kind: "step", to: index + 1 })]).toEqual([name, "gate"]);
      expect([name, codeOf(sheet, state, { kind: "step", to: 0 })]).toEqual([name, "taken"]);
    }
    expect(Math.min(counts.on, counts.shut)).toBeGreaterThan(100);
  });
  it("that opens holds nothing up until the step that needs it is passed", () => {
    let opening = 0;
    for (const { sheet } of shippedSheets)
      for (const part of sheet.parts.filter(({ opens }) => opens)) {
        const needed = sheet.lines.findIndex(({ step }) => step.id === part.neededAt);
        const state = stateAfter(
          ...allOn(sheet),
          { kind: "step", to: needed - 1 },
          ...readingsOf(sheet, {}, { upTo: needed - 2 }),
          { kind: "thread", part: part.id, on: false },
        );
        opening += 1;
        expect([part.id, codeOf(sheet, state, { kind: "step", to: needed })]).toEqual([part.id, "taken"]);
        expect([part.id, codeOf(sheet, state, { kind: "step", to: needed + 1 })]).toEqual([part.id, "gate"]);
      }
    expect(opening).toBeGreaterThan(10);
  });
  it("goes on again in its place while it can, with what lies in front of it after it", () => {
    for (const { name, sheet, state } of missed()) {
      const [missing] = forgottenParts(sheet, state);
      if (missing?.shutOutBy !== null) continue;
      const late = andThen(state, { kind: "thread", part: missing.part.id, on: true });
      expect([name, outOfOrder(sheet, late).map(({ part }) => part.id)]).toEqual([
        name,
        missing.behind.map(({ id }) => id),
      ]);
      const put = andThen(
        state,
        ...missing.behind.map(({ id }): EndEvent => ({ kind: "thread", part: id, on: false })),
        ...[missing.part, ...missing.behind].map(
          ({ id }): EndEvent => ({ kind: "thread", part: id, on: true }),
        ),
      );
      expect([name, forgottenParts(sheet, put), outOfOrder(sheet, put)]).toEqual([name, [], []]);
    }
  });
  it("behind a cleaved end that is not in yet still passes over its face: a fresh cleave follows, and less than a fresh start", () => {
    let over = 0;
    for (const { name, sheet, state } of missed()) {
      const [missing] = forgottenParts(sheet, state);
      if (!missing || missing.overFace === null) continue;
      over += 1;
      const put = overFaceEvents(sheet, missing, missing.overFace).reduce((now, event) => {
        expect([name, codeOf(sheet, now, event)]).toEqual([name, "taken"]);
        return andThen(now, event);
      }, state);
      expect([name, forgottenParts(sheet, put), outOfOrder(sheet, put)]).toEqual([name, [], []]);
      const [advice] = advise(sheet, put, { kind: "simple" });
      expect([name, advice?.kind]).toEqual([name, "rework"]);
      if (advice?.kind !== "rework") continue;
      expect([name, advice.least.cableLost < sheet.uses.retry]).toEqual([name, true]);
    }
    expect(over).toBeGreaterThan(50);
  });
  it("once shut out takes a fresh start, with its cable counted and nothing that was read left standing", () => {
    for (const { name, sheet, part, gate, state } of missed()) {
      const event = restartEvent(sheet, part.id);
      const [missing] = forgottenParts(sheet, state);
      const shut = missing !== undefined && missing.shutOutBy !== null;
      expect([name, codeOf(sheet, state, event)]).toEqual([name, shut ? "taken" : "wrong-restart"]);
      if (!shut) continue;
      const cheaper = { ...event, cableLost: 0 } as unknown as EndEvent;
      expect([name, codeOf(sheet, state, cheaper)]).toEqual([name, "wrong-restart"]);
      const begun = andThen(state, event);
      expect([name, begun.at <= gate, begun.readings, begun.lost]).toEqual([
        name,
        true,
        [],
        sheet.uses.retry,
      ]);
      expect([
        name,
        andThen(begun, { kind: "take-back", event: begun.acts.at(-1)?.event as string }).readings.length,
      ]).toEqual([name, state.readings.length]);
    }
  });
});

describe("the step that needs a part", () => {
  it("shows whether it is on", () => {
    for (const { name, sheet } of shippedSheets)
      for (const part of sheet.parts.filter(({ neededAt }) => neededAt)) {
        const needed = (threaded: string[]) => partsNeededAt(sheet, { threaded }, part.neededAt as string);
        expect([name, needed([part.id]).find((item) => item.part === part)?.on]).toEqual([name, true]);
        expect([name, needed([]).find((item) => item.part === part)?.on]).toEqual([name, false]);
      }
  });
});

describe("what keeps an end from being in", () => {
  it("is named exactly where the end is not in", () => {
    for (const { name, sheet } of shippedSheets) {
      const good = sheet.lines.flatMap(({ step }): EventInput[] => {
        const judgement = "judgement" in step ? step.judgement : undefined;
        const answer = judgement?.answers.find((answer) => answer.good);
        return judgement && answer ? [{ kind: "answer", judgement: judgement.id, answer: answer.id }] : [];
      });
      const done: EventInput[] = [
        ...allOn(sheet),
        { kind: "step", to: sheet.lines.length - 1 },
        ...sheet.cable.legs.flatMap((leg) => readingsOf(sheet, {}, { leg })),
        ...good,
      ];
      const whole = stateAfter(...done);
      const points = (state: EndState) => openPoints(sheet, state, GUARDED);
      expect([name, points(whole).length === 0]).toEqual([name, resultOf(sheet, whole, GUARDED) === "in"]);
      done.forEach((left, i) => {
        if (left.kind !== "reading" && left.kind !== "answer") return;
        const without = stateAfter(...done.filter((_, j) => j !== i));
        const named = points(without).filter((point) => !points(whole).some((same) => sameAs(same, point)));
        expect([name, named.map(({ kind }) => kind)]).toEqual([
          name,
          [left.kind === "reading" ? "unread" : "unanswered"],
        ]);
      });
    }
  });
});

const sameAs = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
