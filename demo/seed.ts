import { readFileSync } from "node:fs";
import { v5 as uuidFrom } from "uuid";
import { z } from "zod";
import {
  advise,
  check,
  countedEvent,
  counterOf,
  type EndEvent,
  type EndState,
  type EventInput,
  endState,
  figuresToConfirm,
  judgementOf,
  type Line,
  mustHoldAt,
  parseAddress,
  type RunSheet,
  resolved,
  retriesOffered,
  retryEvent,
  reworkEvent,
  spentAt,
  withDefaults,
  zAddInside,
  zBatch,
  zBeginPlaces,
  zConfirm,
  zNewClosure,
  zNewJob,
  zNewPerson,
  zNewPieces,
  zStart,
  zStoredEvent,
  zStudy,
} from "@/core";
import { actOn } from "@/service/act";
import { addPerson } from "@/service/crew/people";
import { getBatch, startBatch } from "@/service/end/batches";
import { addEvents, getEnd, startEnd } from "@/service/end/ends";
import { addClosure } from "@/service/job/closures";
import { addPieces, newJob } from "@/service/job/jobs";
import { beginPlaces } from "@/service/job/places";
import { confirmFigures } from "@/service/shelf/shelf";
import { addStudy } from "@/service/workshop/studies";
import type { Store } from "@/store/database/store";
import { openStore } from "@/store/opening/open";
import { shippedLibrary } from "@/store/shelf/shipped";
import { DEMO_MARK } from "../scripts/demo-file.mjs";
import { seedClosureWork, zDemoSplicing } from "./closure-work";

const zBase = {
  job: z.string(),
  label: z.string(),
  style: z.string(),
  cable: z.string(),
  core: z.string(),
  choices: z.record(z.string(), z.string()).default({}),
  /** Where it is made, of a piece of a job in the order they are planned; without it, it is an end by itself. */
  at: z.object({ job: z.string(), piece: z.int(), side: z.string(), address: z.string() }).optional(),
};
const zMade = z.object({
  ...zBase,
  by: z.int(),
  off: z.record(z.string(), z.number()),
  skip: z.array(z.string()).default([]),
  /** Looks that were bad the first time, by judgement: the answer seen. */
  bad: z.record(z.string(), z.string()).default({}),
  outcome: z.enum(["kept", "cut-off"]).default("kept"),
  /** What was out was redone by the recommended way before going on. */
  reworked: z.boolean().default(false),
});
const zDemo = z.object({
  people: z.array(z.string()),
  /** `off` says by how many micrometres a length was made off its nominal. */
  ends: z.array(zMade),
  /** Ends of the pieces that are planned. */
  placed: z.array(zMade),
  /** Ends alike, one fibre after the other, by one hand: what its aim is worked out from. */
  series: z.array(z.object({ ...zBase, by: z.int(), off: z.record(z.string(), z.number()), count: z.int() })),
  /** One piece measured again and again, in millimetres. */
  studies: z.array(z.object({ by: z.int(), instrument: z.string(), readings: z.array(z.number()) })),
  open: z.array(z.object({ ...zBase, toStep: z.string() })),
  /** Figures held against a part's sheet, by whom; ends after it are made by them. */
  confirmed: z.array(
    z.object({ style: z.string(), cable: z.string(), core: z.string(), by: z.int(), sheet: z.string() }),
  ),
  /** Pieces of cable as they are planned, and the closures they are joined in; a closure names a piece by its place in the list. */
  jobs: z.array(
    z.object({
      name: z.string(),
      by: z.int(),
      pieces: z.array(z.unknown()),
      closures: z.array(
        z.object({
          name: z.string(),
          entry: z.string(),
          cables: z.array(
            z.looseObject({ joins: z.object({ piece: z.int(), side: z.string() }).optional() }),
          ),
          splicing: zDemoSplicing.optional(),
        }),
      ),
    }),
  ),
  /** Many ends at once: the first `begun` of them stand at a step. */
  batches: z.array(
    z.object({
      job: z.string(),
      style: z.string(),
      cable: z.string(),
      core: z.string(),
      count: z.int(),
      begun: z.int(),
      toStep: z.string(),
    }),
  ),
});

const NAMESPACE = "5b0c1f6e-5a1c-4a64-9c0e-6f0d3c1b7a90";
const MINUTE = 60_000;

/** A hand's own small error on one length of one end, micrometres: always the same, never alike. */
const slip = (end: number, length: string): number =>
  (([...length].reduce((sum, letter) => sum * 31 + letter.charCodeAt(0), 7) * (end + 3)) % 360) - 180;

/** Where an end stands by events not stored yet. */
const stateOf = (events: readonly EventInput[]): EndState =>
  endState(
    events.map((event, i) => ({
      id: String(i),
      seq: i + 1,
      at: "",
      client: "demo",
      event: zStoredEvent.parse(event),
    })),
  );

/** What doing a step logs: as often as the sheet asks is counted, and what it uses up is used. */
function doneAt(line: Line): EventInput[] {
  const counts = counterOf(line)?.min ?? 0;
  const events: EndEvent[] = [
    ...countedEvent(line, counts),
    ...spentAt(line, { spent: [] }, counts > 0 ? counts : null),
  ];
  return events as EventInput[];
}

/** Fills a database with the invented site's ends, always the same ones, dated over the days before `now`. */
export function seed(store: Store, text: string, now = new Date()): void {
  const demo = check(zDemo, JSON.parse(text));
  const calliper = shippedLibrary().instruments.find(({ id }) => id === "digital-calliper");
  if (!calliper) throw new Error("the demo measures with the digital calliper");
  const instrument = {
    id: calliper.id,
    name: calliper.name,
    resolution: calliper.resolution as number,
    repeatability: calliper.repeatability as number,
  };

  /** Everybody of the site, come before any work was done. */
  const whoIs = (name: string): string => uuidFrom(`person ${name}`, NAMESPACE);
  for (const name of demo.people)
    addPerson(
      actOn(store, new Date(now.getTime() - 30 * 24 * 60 * MINUTE)),
      check(zNewPerson, { id: whoIs(name), name }),
    );

  for (const { name, by, pieces, closures } of demo.jobs) {
    const act = {
      ...actOn(store, new Date(now.getTime() - 9 * 24 * 60 * MINUTE)),
      actor: whoIs(mustHoldAt(demo.people, by)),
    };
    const { id } = newJob(act, check(zNewJob, { id: uuidFrom(`job ${name}`, NAMESPACE), name }));
    addPieces(
      act,
      id,
      check(zNewPieces, {
        pieces: pieces.map((plan, i) => ({ id: uuidFrom(`piece ${name} ${i}`, NAMESPACE), plan })),
      }),
    );
    for (const { splicing: _, ...plan } of closures)
      addClosure(
        act,
        id,
        check(zNewClosure, {
          id: uuidFrom(`closure ${plan.name}`, NAMESPACE),
          plan: {
            ...plan,
            cables: plan.cables.map(({ joins, ...cable }, i) => ({
              id: uuidFrom(`cable ${plan.name} ${i}`, NAMESPACE),
              ...cable,
              joins: joins ? { ...joins, piece: uuidFrom(`piece ${name} ${joins.piece}`, NAMESPACE) } : null,
            })),
          },
        }),
      );
  }

  const work = (
    end: z.output<typeof zDemo>["open"][number],
    key: string,
    at: Date,
    eventsOf: (sheet: RunSheet) => EventInput[],
  ) => {
    const id = uuidFrom(key, NAMESPACE);
    const style = { procedure: end.style, choices: end.choices };
    if (end.at)
      beginPlaces(
        actOn(store, at),
        uuidFrom(`piece ${end.at.job} ${end.at.piece}`, NAMESPACE),
        check(zBeginPlaces, {
          id,
          side: end.at.side,
          addresses: [parseAddress(end.at.address)],
          style,
        }),
      );
    else startEnd(actOn(store, at), check(zStart, { id, cable: end.cable, core: end.core, ...style }));
    const { sheet } = getEnd(store, id);
    const threaded = sheet.parts.map(({ id: part }): EventInput => ({ kind: "thread", part, on: true }));
    const all: EventInput[] = [
      ...(end.at ? [] : [{ kind: "label" as const, job: end.job, label: end.label }]),
      ...threaded,
      ...eventsOf(sheet),
    ];
    all.forEach((event, i) => {
      addEvents(
        actOn(store, new Date(at.getTime() + (i + 1) * 20_000)),
        id,
        check(zAddInside, {
          client: "demo",
          after: i + 1,
          events: [{ id: uuidFrom(`${key}/${i}`, NAMESPACE), event }],
        }),
      );
    });
  };

  const series = demo.series.flatMap(({ count, label, ...end }) =>
    Array.from({ length: count }, (_, i) => ({
      ...end,
      label: `${label} ${i + 1}`,
      skip: [] as string[],
      bad: {},
      outcome: "kept" as const,
      reworked: false,
    })),
  );
  const built = [...series, ...demo.ends, ...demo.placed];
  built.forEach((end, n) => {
    const at = new Date(now.getTime() - (built.length - n) * 190 * MINUTE);
    work({ ...end, toStep: "" }, `end ${n}`, at, (sheet) => {
      const events: EventInput[] = [];
      const bad = new Map(Object.entries(end.bad));
      let reworked = null as Readonly<Record<string, number>> | null;
      let off = 0;
      for (let index = 0; index < sheet.lines.length; index++) {
        const line = mustHoldAt(sheet.lines, index);
        events.push({ kind: "step", to: index });
        for (const { id, from, to, nominal } of line.checks.filter((check) => !end.skip.includes(check.id)))
          for (const wobble of [-20, 30]) {
            const [near, far] = [reworked?.[from], reworked?.[to]];
            const lies = reworked
              ? near !== undefined && far !== undefined
                ? far - near
                : nominal
              : nominal + (end.off[id] ?? 0) + slip(n, id);
            const value = Math.max(0, Math.round((lies + wobble) / 10) * 10);
            events.push({
              kind: "reading",
              check: id,
              value,
              typed: (value / 1000).toFixed(2),
              unit: "mm",
              instrument,
            });
          }
        if (end.reworked && !reworked && line.checks.length > 0) {
          const [advice] = advise(
            sheet,
            stateOf(events),
            getEnd(store, uuidFrom(`end ${n}`, NAMESPACE)).rule,
          );
          if (advice?.kind === "rework") {
            const rework = reworkEvent(advice, "recommended");
            reworked = rework.places;
            events.push(rework as EventInput);
            for (const to of rework.steps) {
              const again = mustHoldAt(sheet.lines, to);
              const judgement = judgementOf(again.step);
              const good = judgement?.answers.find((answer) => answer.good);
              if (to !== rework.to) events.push({ kind: "step", to });
              if (judgement && good)
                events.push({ kind: "answer", judgement: judgement.id, answer: good.id });
              events.push(...doneAt(again));
              off += again.step.shards;
            }
            index = rework.back - 1;
            continue;
          }
        }
        const judgement = judgementOf(line.step);
        const seen = judgement && bad.get(judgement.id);
        if (judgement && seen) {
          bad.delete(judgement.id);
          events.push({ kind: "answer", judgement: judgement.id, answer: seen });
          const [offer] = retriesOffered(sheet, endState([]), judgement.id, seen);
          if (!offer) throw new Error(`${judgement.id}: ${seen} offers nothing to try`);
          events.push(retryEvent(sheet, offer, judgement.id, seen) as EventInput);
          index = offer.to - 1;
          continue;
        }
        const good = judgement?.answers.find((answer) => answer.good);
        if (judgement && good) events.push({ kind: "answer", judgement: judgement.id, answer: good.id });
        events.push(...doneAt(line));
        off += line.step.shards;
        if (line.step.kind === "dispose" && off > 0) {
          events.push({ kind: "shards", made: 0, binned: off });
          off = 0;
        }
      }
      if (off > 0) events.push({ kind: "shards", made: 0, binned: off });
      return [...events, { kind: "sign", name: demo.people[end.by] ?? "Nobody", outcome: end.outcome }];
    });
  });
  for (const { by, instrument: used, readings } of demo.studies)
    addStudy(
      actOn(store, new Date(now.getTime() - 20 * 24 * 60 * MINUTE)),
      check(zStudy, {
        id: uuidFrom(`study ${by} ${used}`, NAMESPACE),
        person: whoIs(demo.people[by] ?? "Nobody"),
        instrument: used,
        readings,
      }),
    );
  demo.open.forEach((end, n) => {
    const at = new Date(now.getTime() - (n + 1) * 12 * MINUTE);
    work(end, `open ${n}`, at, (sheet) =>
      sheet.lines
        .slice(0, sheet.lines.findIndex(({ step }) => step.id === end.toStep) + 1)
        .map(({ index }): EventInput => ({ kind: "step", to: index })),
    );
  });
  for (const { style, cable, core, by, sheet } of demo.confirmed) {
    const { cables, procedures } = shippedLibrary();
    const procedure = procedures.find(({ id }) => id === style);
    const on = cables.find(({ id }) => id === cable);
    if (!procedure || !on) throw new Error(`${style} on ${cable} is not on the shelf`);
    const figures = figuresToConfirm(resolved(procedure, on, { core, choices: withDefaults(procedure, {}) }));
    confirmFigures(
      { store, now, actor: whoIs(demo.people[by] ?? "") },
      style,
      check(zConfirm, {
        basis: procedure.revision,
        cable,
        core,
        sheet,
        figures: figures.map(({ key, value, plus, minus, most, printed }) => ({
          key,
          value,
          plus,
          minus,
          most,
          printed,
        })),
      }),
    );
  }
  demo.batches.forEach(({ begun, toStep, style, ...batch }, n) => {
    const at = new Date(now.getTime() - 40 * MINUTE);
    const { id } = startBatch(
      actOn(store, at),
      check(zBatch, {
        ...batch,
        id: uuidFrom(`batch ${n}`, NAMESPACE),
        procedure: style,
      }),
    );
    const { ends, sheet } = getBatch(store, id);
    const to = sheet.lines.findIndex(({ step }) => step.id === toStep);
    const events: EventInput[] = [
      ...sheet.parts.map(({ id: part }): EventInput => ({ kind: "thread", part, on: true })),
      { kind: "step", to },
    ];
    ends.slice(0, begun).forEach(({ id: end }, place) => {
      addEvents(
        actOn(store, at),
        end,
        check(zAddInside, {
          client: "demo",
          after: 1,
          events: events.map((event, i) => ({
            id: uuidFrom(`batch ${n}/${place}/${i}`, NAMESPACE),
            event,
          })),
        }),
      );
    });
  });

  for (const { closures } of demo.jobs)
    for (const { name, splicing } of closures) {
      if (!splicing) continue;
      const act = {
        ...actOn(store, new Date(now.getTime() - 180 * MINUTE)),
        actor: whoIs(mustHoldAt(demo.people, splicing.by)),
      };
      seedClosureWork(act, uuidFrom(`closure ${name}`, NAMESPACE), splicing, NAMESPACE);
    }
}

const [file] = process.argv.slice(2);
if (file && /seed\.(ts|mjs)$/.test(process.argv[1] ?? "")) {
  const store = openStore(file);
  // What is made up can be made up again: the disk is waited for once, and not for every reading.
  store.$client.pragma("synchronous = OFF");
  seed(store, readFileSync("demo/quillmere.json", "utf8"));
  store.$client.pragma("synchronous = FULL");
  store.$client.pragma("wal_checkpoint(TRUNCATE)");
  // Marked last: what was filled half is no demo, and is not taken for one.
  store.$client.pragma(`user_version = ${DEMO_MARK}`);
  store.$client.close();
}
