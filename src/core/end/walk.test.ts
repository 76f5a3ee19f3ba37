import { describe, expect, it } from "vitest";
import { shippedLibrary } from "../../../harness/shipped";
import { mustAccept } from "../accept/accept";
import { CALLIPER, GUARDED } from "../advice/fixtures/ends";
import { nextLine } from "../advice/take";
import { type EndEvent, type EventInput, zStoredEvent } from "../event/event";
import { WORLD } from "../fixtures/example-world";
import { zLight } from "../light/light-reading";
import { misfits } from "../procedure/fit";
import { judgementOf, readsLight } from "../procedure/step";
import { compileRunSheet } from "../runsheet/compile";
import { spentAt } from "../tally/spent";
import type { EndState } from "./end-state";
import { resultOf } from "./result";
import { applied, endState } from "./state";
import { undoneAt } from "./undone";

const { cables, procedures, tools } = shippedLibrary();
const pairs = procedures.flatMap((procedure) =>
  cables.flatMap((cable) =>
    cable.cores
      .filter((core) => misfits(procedure, cable, core).length === 0)
      .map((core) => ({ procedure, cable, core })),
  ),
);

const LIGHT: EventInput = {
  ...{ kind: "light", read: "2026-11-25T08:00:00.000Z", from: "here", ...WORLD.lightRead },
  ...{ matings: 0, celsius: null, limitFrom: "ANSI/TIA-568.3, connector", tried: "first" },
};

describe("an answer at an optical test", () => {
  it("makes no end in: only light read does, or the answer that there is no meter", () => {
    const procedure = procedures.find(({ id }) => id === "guided-insertion-900");
    const cable = cables.find(({ id }) => id === "distribution-900");
    if (!procedure || !cable) throw new Error("a shipped sheet");
    const sheet = compileRunSheet({ procedure, cable, core: "9/125", choices: {}, tools });
    const line = sheet.lines.find(({ step }) => readsLight(step));
    if (!line) throw new Error("a step that reads light");
    const asks = (answer: string, light: EndState["light"] = []) =>
      undoneAt(line, { ...endState([]), answers: { test: answer }, light })?.asks ?? null;
    expect([asks("pass"), asks("none")]).toEqual(["Read light through it", null]);
    const read = { ...zLight.parse(LIGHT), id: "l", at: "" };
    expect(asks("pass", [read])).toBeNull();
    const bad = undoneAt(line, {
      ...endState([]),
      answers: { test: "pass" },
      light: [{ ...read, dBm: [-22] }],
    });
    expect(bad?.bad).toBe("2 dB at 1310 nm is out");
  });
});

describe("every style on every cable and glass it goes on", () => {
  it.each(pairs)("$procedure.id on $cable.id, $core: from thread-on to the sign-off, in", (pair) => {
    const sheet = compileRunSheet({ ...pair, choices: {}, tools });
    let state: EndState = endState([]);
    let seq = 0;
    /** Takes an event in as the server does: checked against where the end stands. */
    const add = (event: EndEvent | EventInput) => {
      const taken = zStoredEvent.parse(event);
      mustAccept(sheet, state, taken, GUARDED);
      seq += 1;
      const id = `00000000-0000-4000-8000-${String(seq).padStart(12, "0")}`;
      state = applied(state, { id, seq, at: "2026-11-26T08:00:00.000Z", client: "test", event: taken });
    };
    const seen: number[] = [];
    for (;;) {
      const line = sheet.lines[state.at];
      if (!line) throw new Error(`no line ${state.at}`);
      seen.push(line.index);
      for (const { id } of line.parts) add({ kind: "thread", part: id, on: true });
      const judgement = judgementOf(line.step);
      const good = judgement?.answers.find((answer) => answer.good);
      if (judgement && good) add({ kind: "answer", judgement: judgement.id, answer: good.id });
      if (readsLight(line.step)) {
        // A loss is not good because somebody says so.
        expect(undoneAt(line, state)?.asks).toBe("Read light through it");
        add(LIGHT);
      }
      for (const { id, nominal } of line.checks)
        add({
          kind: "reading",
          check: id,
          value: nominal,
          typed: String(nominal / 1000),
          unit: "mm",
          instrument: CALLIPER,
        });
      for (const event of spentAt(line, state)) add(event);
      if (line.index === sheet.lines.length - 1) break;
      add({ kind: "step", to: nextLine(state) });
    }
    expect(seen).toEqual(sheet.lines.map(({ index }) => index));
    const { made: count, binned } = state.shards;
    if (count > binned) add({ kind: "shards", made: 0, binned: count - binned });
    add({ kind: "sign", name: "Ada", outcome: "kept" });
    expect(resultOf(sheet, state, GUARDED)).toBe("in");
  });
});
