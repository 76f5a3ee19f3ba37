import { readFileSync } from "node:fs";
import { v5 as uuidFrom } from "uuid";
import {
  check,
  type EventInput,
  figuresToConfirm,
  mustHoldAt,
  parseAddress,
  type RunSheet,
  resolved,
  withDefaults,
  zAddInside,
  zBatch,
  zBeginPlaces,
  zConfirm,
  zNewClosure,
  zNewFeeder,
  zNewJob,
  zNewPerson,
  zNewPieces,
  zNewToolCheck,
  zStart,
  zStudy,
} from "@/core";
import { actOn } from "@/service/act";
import { addPerson } from "@/service/crew/people";
import { getBatch, startBatch } from "@/service/end/batches";
import { addEvents, getEnd, startEnd } from "@/service/end/ends";
import { addClosure } from "@/service/job/closures";
import { addFeeder } from "@/service/job/feeders";
import { addPieces, newJob } from "@/service/job/jobs";
import { beginPlaces } from "@/service/job/places";
import { confirmFigures } from "@/service/shelf/shelf";
import { addStudy } from "@/service/workshop/studies";
import { checkTool } from "@/service/workshop/tool-checks";
import { seeToBlade } from "@/service/workshop/tools";
import type { Store } from "@/store/database/store";
import { openStore } from "@/store/opening/open";
import { shippedLibrary } from "@/store/shelf/shipped";
import { DEMO_MARK } from "../scripts/demo-file.mjs";
import { seedClosureWork } from "./closure-work";
import { type Demo, zDemo } from "./demo-schema";
import { madeEndEvents } from "./made-end";

const NAMESPACE = "5b0c1f6e-5a1c-4a64-9c0e-6f0d3c1b7a90";
const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;

/** A demo being filled in: its data, its database, and the time it counts back from. */
interface Filling {
  readonly demo: Demo;
  readonly store: Store;
  readonly now: Date;
}

const idOf = (key: string): string => uuidFrom(key, NAMESPACE);
const personId = (name: string): string => idOf(`person ${name}`);

/** Acts as a person of the site, so long before now. */
const actBy = ({ demo, store, now }: Filling, by: number, before: number) => ({
  ...actOn(store, new Date(now.getTime() - before)),
  actor: personId(mustHoldAt(demo.people, by)),
});

/** Fills a database with the invented site's ends, always the same ones, dated over the days before `now`. */
export function seed(store: Store, text: string, now = new Date()): void {
  const filling: Filling = { demo: check(zDemo, JSON.parse(text)), store, now };
  seedPeople(filling);
  seedJobs(filling);
  seedMadeEnds(filling);
  seedStudies(filling);
  seedToolChecks(filling);
  seedOpenEnds(filling);
  seedConfirmed(filling);
  seedBatches(filling);
  for (const { closures } of filling.demo.jobs)
    for (const { name, splicing } of closures)
      if (splicing)
        seedClosureWork(
          actBy(filling, splicing.by, 180 * MINUTE),
          idOf(`closure ${name}`),
          splicing,
          NAMESPACE,
        );
}

/** Everybody of the site, before any work was done. */
function seedPeople({ demo, store, now }: Filling): void {
  for (const name of demo.people)
    addPerson(
      actOn(store, new Date(now.getTime() - 30 * DAY)),
      check(zNewPerson, { id: personId(name), name }),
    );
}

function seedJobs(filling: Filling): void {
  for (const { name, by, pieces, closures, feeders } of filling.demo.jobs) {
    const act = actBy(filling, by, 9 * DAY);
    const { id } = newJob(act, check(zNewJob, { id: idOf(`job ${name}`), name }));
    addPieces(
      act,
      id,
      check(zNewPieces, {
        pieces: pieces.map((plan, i) => ({ id: idOf(`piece ${name} ${i}`), plan })),
      }),
    );
    for (const { splicing: _, ...plan } of closures)
      addClosure(
        act,
        id,
        check(zNewClosure, {
          id: idOf(`closure ${plan.name}`),
          plan: {
            ...plan,
            cables: plan.cables.map(({ joins, ...cable }, i) => ({
              id: idOf(`cable ${plan.name} ${i}`),
              ...cable,
              joins: joins ? { ...joins, piece: idOf(`piece ${name} ${joins.piece}`) } : null,
            })),
          },
        }),
      );
    for (const feeder of feeders)
      addFeeder(
        act,
        id,
        check(zNewFeeder, {
          id: idOf(`feeder ${feeder.name}`),
          plan: {
            ...feeder,
            joints: feeder.joints.map((joint) => ({
              ...joint,
              closure:
                joint.closure === null ? null : idOf(`closure ${mustHoldAt(closures, joint.closure).name}`),
            })),
          },
        }),
      );
  }
}

/** Ends made on a day, and minutes from one to the next. */
const PER_DAY = 9;
const APART = 64;

/** When an end was begun that so many came after: in working hours, the last of them on the day before now. */
function workedAt(now: Date, after: number): Date {
  const morning = new Date(now.getTime() - (1 + Math.floor(after / PER_DAY)) * DAY);
  morning.setUTCHours(7, 20, 0, 0);
  return new Date(morning.getTime() + (PER_DAY - 1 - (after % PER_DAY)) * APART * MINUTE);
}

/** Begins an end and adds its events, one every forty seconds. */
function work(
  store: Store,
  end: Omit<Demo["open"][number], "toStep">,
  key: string,
  at: Date,
  eventsOf: (sheet: RunSheet) => EventInput[],
): void {
  const id = idOf(key);
  const style = { procedure: end.style, choices: end.choices };
  if (end.at)
    beginPlaces(
      actOn(store, at),
      idOf(`piece ${end.at.job} ${end.at.piece}`),
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
      actOn(store, new Date(at.getTime() + (i + 1) * 40_000)),
      id,
      check(zAddInside, {
        client: "demo",
        after: i + 1,
        events: [{ id: idOf(`${key}/${i}`), event }],
      }),
    );
  });
}

/** The number of the first end that was made before all the others: those keep the numbers they had. */
const HISTORY = 1_000;

/** The ends of a series, one after the other. */
const inSeries = ({ count, label, turned, ...end }: Demo["history"][number]) =>
  Array.from({ length: count }, (_, i) => ({
    ...{ ...end, skip: [], bad: {}, reworked: false, label: `${label} ${i + 1}` },
    ...(i === 0 && turned !== undefined && { turned }),
  }));

function seedMadeEnds({ demo, store, now }: Filling): void {
  const calliper = shippedLibrary().instruments.find(({ id }) => id === "digital-calliper");
  if (!calliper) throw new Error("the demo measures with the digital calliper");
  const { id, name, resolution, repeatability } = calliper;
  const instrument = { id, name, resolution: Number(resolution), repeatability: Number(repeatability) };
  const history = demo.history.flatMap(inSeries);
  const ends = [...demo.series.flatMap(inSeries), ...demo.ends, ...demo.placed];
  const all = [
    ...history.map((end, i) => ({ end, number: HISTORY + i })),
    ...ends.map((end, number) => ({ end, number })),
  ];
  all.forEach(({ end, number }, place) => {
    const at = workedAt(now, all.length - 1 - place);
    const key = `end ${number}`;
    if ("turned" in end && end.turned)
      seeToBlade(actOn(store, new Date(at.getTime() - MINUTE)), end.turned, {
        id: idOf(`${key} turned`),
        action: "turn",
      });
    const signedBy = demo.people[end.by] ?? "Nobody";
    work(store, end, key, at, (sheet) =>
      madeEndEvents({
        end,
        number,
        sheet,
        rule: getEnd(store, idOf(key)).rule,
        instrument,
        signedBy,
        begun: at,
      }),
    );
  });
}

function seedStudies(filling: Filling): void {
  for (const { by, instrument, readings } of filling.demo.studies) {
    const person = personId(mustHoldAt(filling.demo.people, by));
    const act = actOn(filling.store, new Date(filling.now.getTime() - 20 * DAY));
    addStudy(act, check(zStudy, { id: idOf(`study ${by} ${instrument}`), person, instrument, readings }));
  }
}

function seedToolChecks({ demo, store, now }: Filling): void {
  demo.toolChecks.forEach(({ daysAgo, by, tool, answers, gauge, reading }, n) => {
    const at = new Date(now.getTime() - daysAgo * DAY);
    at.setUTCHours(7, 0, n, 0);
    const read = gauge === undefined || reading === undefined ? null : { gauge, readings: [reading] };
    const act = { ...actOn(store, at), actor: personId(mustHoldAt(demo.people, by)) };
    checkTool(
      act,
      check(zNewToolCheck, { id: idOf(`tool check ${n}`), tool, sights: { answers, gauge: read } }),
    );
  });
}

/** Ends still at the bench, each at one of its steps. */
function seedOpenEnds({ demo, store, now }: Filling): void {
  demo.open.forEach((end, n) => {
    const at = new Date(now.getTime() - (n + 1) * 12 * MINUTE);
    work(store, end, `open ${n}`, at, (sheet) =>
      sheet.lines
        .slice(0, sheet.lines.findIndex(({ step }) => step.id === end.toStep) + 1)
        .map(({ index }): EventInput => ({ kind: "step", to: index })),
    );
  });
}

function seedConfirmed({ demo, store, now }: Filling): void {
  for (const { style, cable, core, by, sheet } of demo.confirmed) {
    const { cables, procedures } = shippedLibrary();
    const procedure = procedures.find(({ id }) => id === style);
    const on = cables.find(({ id }) => id === cable);
    if (!procedure || !on) throw new Error(`${style} on ${cable} is not on the shelf`);
    const figures = figuresToConfirm(resolved(procedure, on, { core, choices: withDefaults(procedure, {}) }));
    confirmFigures(
      { ...actOn(store, now), actor: personId(mustHoldAt(demo.people, by)) },
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
}

function seedBatches({ demo, store, now }: Filling): void {
  demo.batches.forEach(({ begun, toStep, style, ...batch }, n) => {
    const at = new Date(now.getTime() - 40 * MINUTE);
    const { id } = startBatch(
      actOn(store, at),
      check(zBatch, {
        ...batch,
        id: idOf(`batch ${n}`),
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
            id: idOf(`batch ${n}/${place}/${i}`),
            event,
          })),
        }),
      );
    });
  });
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
