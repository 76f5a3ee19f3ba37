import type { Page } from "@playwright/test";
import loadHighs from "highs";
import {
  advise,
  asMade,
  compileRunSheet,
  leastProblem,
  misfits,
  mm,
  type ReworkInput,
  rework,
  um,
} from "@/core";
import { endAt, GUARDED } from "@/core/advice/fixtures/ends";
import { programme } from "@/core/rework/fixtures/programme";
import { shippedLibrary } from "@/store/shelf/shipped";
import { line, perSecond, quantile, spread } from "./measure";

/** A prepared end of so many features, each a cut 10 behind the last, one in seven of them made up to 3 off. */
function endOf(count: number, seed: number): ReworkInput {
  const name = (i: number) => `f${i}`;
  const off = (i: number) =>
    (i * 7919 + seed * 104_729) % 7 === 0 ? (((i + seed) * 37) % 61) * 100 - 3_000 : 0;
  const all = Array.from({ length: count }, (_, i) => i);
  return {
    features: all.map((i) => ({ name: name(i), kind: "cut", at: um(i * 10_000 + off(i)), bite: mm(1) })),
    dimensions: all
      .slice(1)
      .flatMap((i) => [
        { id: `n${i}`, from: name(i - 1), to: name(i), nominal: mm(10), plus: mm(0.8), minus: mm(0.8) },
        ...(i > 2
          ? [{ id: `w${i}`, from: name(i - 3), to: name(i), nominal: mm(30), plus: mm(2), minus: mm(2) }]
          : []),
      ]),
    forced: [name(seed % count)],
    cable: name(count - 1),
  };
}

/** Rework solved per second at three sizes and how it grows, beside the mixed-integer solver on the same ends. */
export async function reworks(): Promise<void> {
  const highs = await loadHighs();
  const sizes = [6, 20, 60];
  const rates = sizes.map((count) => {
    const ends = Array.from({ length: 30 }, (_, i) => endOf(count, i));
    let i = 0;
    const own = perSecond(() => {
      rework(ends[i++ % ends.length] as ReworkInput);
    }, 800);
    const theirs = perSecond(() => {
      highs.solve(programme(ends[i++ % ends.length] as ReworkInput));
    }, 800);
    line(
      `rework of ${count} features`,
      `${own.toFixed(0)} a second; mixed-integer solver ${theirs.toFixed(0)} (ratio ${(own / theirs).toFixed(1)})`,
    );
    return { own, theirs };
  });
  const growth = (pick: (rate: (typeof rates)[number]) => number) => {
    const [small, , large] = rates as [(typeof rates)[0], (typeof rates)[0], (typeof rates)[0]];
    return (
      Math.log(pick(small) / pick(large)) / Math.log((sizes[2] as number) / (sizes[0] as number))
    ).toFixed(1);
  };
  line(
    "  growth, 6 to 60 features",
    `time by n^${growth(({ own }) => own)}; solver n^${growth(({ theirs }) => theirs)}`,
  );
}

/** Advice for every shipped procedure with one length out: from readings to steps with figures. */
export function advices(): void {
  const { procedures, cables, tools } = shippedLibrary();
  const states = procedures.flatMap((procedure) => {
    const cable = cables.find((cable) =>
      cable.cores.some((core) => misfits(procedure, cable, core).length === 0),
    );
    const core = cable?.cores.find((core) => misfits(procedure, cable, core).length === 0);
    if (!cable || !core) return [];
    const sheet = compileRunSheet({ procedure, cable, core, choices: {}, tools });
    const read = sheet.lines.filter(({ checks }) => checks.length > 0).at(-1);
    const moved = read?.checks[0]?.from;
    if (!read || !moved) return [];
    return [{ sheet, state: endAt(sheet, read.step.id, { [moved]: 1_500 }) }];
  });
  let i = 0;
  const rate = perSecond(() => {
    const { sheet, state } = states[i++ % states.length] as (typeof states)[number];
    advise(sheet, state, GUARDED);
  });
  const sizes = states.map(
    ({ sheet, state }) =>
      leastProblem(sheet, state, asMade(sheet, state, GUARDED, sheet.cable.legs[0] ?? ""), []).features
        .length,
  );
  line(
    `advice over ${states.length} shipped styles`,
    `${rate.toFixed(0)} a second (${(1000 / rate).toFixed(2)} ms each; ${quantile(sizes, 0.5)} features at the middle)`,
  );
}

/** From Enter on a reading that is out to the advice painted, an end each time. */
export async function adviceOnScreen(page: Page, addresses: readonly string[]): Promise<void> {
  const times: number[] = [];
  for (const address of addresses) {
    await page.goto(address);
    await page.waitForSelector("#reading");
    await page.waitForTimeout(400);
    await page.evaluate(() => {
      const log: number[] = [];
      Object.assign(window, { advice: log });
      let key = 0;
      document.addEventListener(
        "keydown",
        (event) => {
          if (event.key === "Enter") key = event.timeStamp;
        },
        { capture: true },
      );
      new MutationObserver(() => {
        if (key === 0 || !document.querySelector('section[aria-label="What to do"]')) return;
        const from = key;
        key = 0;
        requestAnimationFrame(() => {
          const { port1, port2 } = new MessageChannel();
          port1.onmessage = () => log.push(performance.now() - from);
          port2.postMessage(null);
        });
      }).observe(document.body, { subtree: true, childList: true });
    });
    await page.locator("#reading").fill("8.1");
    await page.waitForTimeout(100);
    await page.keyboard.press("Enter");
    await page.waitForSelector('section[aria-label="What to do"]');
    await page.waitForTimeout(200);
    times.push(...(await page.evaluate(() => (window as unknown as { advice: number[] }).advice)));
  }
  line(`reading to advice on screen, ${times.length} ends`, spread(times));
}
