import type { APIRequestContext } from "@playwright/test";
import { NEW_FEEDER } from "@/core";
import { addEvents, cleaveRead, lineOf, MEASURE, startEnd, THREADED, WEDGE } from "../harness/server";

const LONG =
  "The very long name of a feeder that goes from the correlator hall past the weather hut to the last pad on the moor";

const POLE = { cable: "loose-tube-36-mid-span", procedure: "entry-pedestal-through", core: "9/125" };

/** A piece opened at a station, the closure it is joined in, and the bench before a fibre is cut there. */
async function closureViews(request: APIRequestContext, job: string, like: object): Promise<string[]> {
  const post = async (path: string, data: unknown) => (await request.post(`/api/v1${path}`, { data })).json();
  const at = "c1b7d8e4-0d5e-4d55-8f0e-5b9f1e7a3c02";
  const parted = [{ fibre: 7, at: "middle" }];
  const station = { id: at, place: LONG, along: 100_000, procedure: POLE.procedure, parted };
  const plan = { ...like, cable: "loose-tube-36", stations: [station] };
  const [piece] = (await post(`/jobs/${job}`, { pieces: [{ plan }] })).pieces;
  const comes = { id: at, cable: plan.cable, role: "through", through: true };
  const closed = {
    name: LONG,
    entry: "entry-pedestal",
    cables: [{ ...comes, joins: { piece: piece.id, side: at } }],
    splicing: {
      splices: [
        {
          id: "5b1d7c1e-0000-4000-8000-000000000001",
          a: { cable: at, towards: "A", fibre: 7 },
          b: { cable: "pigtail", fibre: 1 },
          slot: "1.1",
        },
      ],
      devices: [
        {
          ...{ kind: "splitter", id: "5b1d7c1e-0000-4000-8000-00000000000d", outputs: 2, excessDb: 0.4 },
          ports: [{ lead: 2, label: LONG.slice(0, 60) }],
        },
      ],
    },
  };
  const closure = (await post(`/jobs/${job}/closures`, { plan: closed })).id;
  const end = (await post(`/pieces/${piece.id}/ends`, { side: at, addresses: [[]] })).id;
  const events = [
    { kind: "thread", part: "member-clamp", on: true },
    { kind: "thread", part: "halves", on: true },
    { kind: "step", to: lineOf("before-cut", POLE) },
  ] as const;
  await addEvents(request, end, events, 99);
  const view = `/jobs/${job}/closures/${closure}`;
  return [`/jobs/${job}/${piece.id}`, view, `${view}/splices`, `${view}/work`, `/bench/${end}`];
}

/** Ends at the gate, at a measure, at a look, short, at the cleave and signed off: each one's id. */
async function benchEnds(request: APIRequestContext) {
  const named = { kind: "label", job: LONG, label: LONG } as const;
  const [gate, measure, look, done, short, cleave] = [
    await startEnd(request),
    await startEnd(request),
    await startEnd(request),
    await startEnd(request),
    await startEnd(request),
    await startEnd(request),
  ];
  await addEvents(request, measure, [named, ...THREADED, { kind: "step", to: MEASURE }]);
  await addEvents(request, short, [
    named,
    ...THREADED,
    { kind: "step", to: MEASURE },
    cleaveRead(8_100),
    { kind: "spare", length: 400_000 },
  ]);
  await addEvents(request, cleave, [...THREADED, { kind: "step", to: lineOf("cleave") }]);
  await addEvents(request, look, [...THREADED, { kind: "step", to: lineOf("bend") }]);
  await addEvents(request, done, [
    { ...named, label: "Unbrokenwordofamostextraordinarylengthindeed".repeat(2) },
    ...THREADED,
    { kind: "sign", name: "Teo Marsh", outcome: "kept" },
  ]);
  return { gate, measure, look, done, short, cleave };
}

/** A feeder of a job with long names, near joints, and a joint of many drops. */
async function feederView(request: APIRequestContext, job: string): Promise<string> {
  const [joint] = NEW_FEEDER.joints;
  const joints = [
    { ...joint, name: LONG.slice(0, 60), drops: 4, feeds: ["Cottage 1", "Cottage 2"] },
    { ...joint, metres: 5, drops: 8 },
    { ...joint, metres: 900 },
  ];
  const plan = { ...NEW_FEEDER, name: LONG.slice(0, 60), joints };
  return (await (await request.post(`/api/v1/jobs/${job}/feeders`, { data: { plan } })).json()).id;
}

/** A job's own pages, those of its pieces, and of the closure one of them is opened in. */
async function jobViews(request: APIRequestContext): Promise<string[]> {
  const job = (await (await request.post("/api/v1/jobs", { data: { name: LONG } })).json()).id;
  const side = { place: LONG, procedure: null, ends: 0, entry: 500, squaring: 50, grip: 0, retries: 0 };
  const plan = {
    name: LONG,
    cable: "armoured-ribbon-96",
    core: "9/125",
    sides: { A: { ...side, procedure: "central-tube-ribbon", ends: 1, retries: 1 }, B: side },
    route: [
      { kind: "duct", name: LONG, length: 212_000, allowancePct: 2 },
      { kind: "span", name: "", length: 41_000, allowancePct: 0, sag: 600 },
    ],
    loops: [{ name: LONG, after: 1, turns: 3, perimeter: 2_100 }],
    yield: { p: 0.94 },
    risk: 0.01,
    roundUpTo: 500,
  };
  const broken = { ...side, procedure: "breakout-kit-12", ends: 12, onto: { procedure: "fusion-splice-on" } };
  const many = { ...plan, cable: "loose-tube-144", sides: { A: broken, B: broken } };
  const twin = { ...side, procedure: "stub-two-fibre", ends: 1 };
  const pair = { ...plan, cable: "pair-900", sides: { A: twin, B: twin } };
  const added = await request.post(`/api/v1/jobs/${job}`, {
    data: { pieces: [{ plan }, { plan: many }, { plan: pair }] },
  });
  const [piece, large, two] = (await added.json()).pieces;
  const joined = await closureViews(request, job, { ...plan, sides: { A: side, B: side } });
  const place = { side: "A", addresses: [[]] };
  const placed = (await (await request.post(`/api/v1/pieces/${two.id}/ends`, { data: place })).json()).id;
  return [
    "/jobs",
    `/jobs/${job}`,
    `/jobs/${job}/grid`,
    `/jobs/${job}/print`,
    `/jobs/${job}/needs`,
    `/jobs/${job}/${piece.id}`,
    `/jobs/${job}/${large.id}`,
    `/jobs/${job}/${large.id}/link?side=A&fibre=13`,
    `/bench/${placed}`,
    `/jobs/${job}/feeders/${await feederView(request, job)}`,
    ...joined,
  ];
}

async function createEnds(request: APIRequestContext): Promise<string[]> {
  const { gate, measure, look, done, short, cleave } = await benchEnds(request);
  const lip = { answers: { place: "as-counted", cleave: "lip" } };
  await request.post("/api/v1/tool-checks", { data: { tool: "bench-cleaver", sights: lip } });
  const begun = await request.post("/api/v1/batches", { data: { ...WEDGE, count: 12, job: LONG } });
  const batch = (await begun.json()).id;
  const { ends } = await (await request.get(`/api/v1/batches/${batch}`)).json();
  return [
    ...(await jobViews(request)),
    "/",
    "/?cable=simplex-3.0",
    "/?cable=simplex-3.0&style=stub-wedge-release-cord",
    "/?cable=duplex-3.0&style=adhesive-polish-duplex",
    "/?cable=duplex-3.0&style=stub-wedge-release-cord",
    "/card?cable=simplex-3.0&style=stub-wedge-release-cord",
    "/card/gauge",
    "/feeder",
    "/bench",
    "/bench/light",
    "/bench/tools",
    `/bench/${gate}`,
    `/bench/${measure}`,
    `/bench/${look}`,
    `/bench/${short}`,
    `/ledger/${short}`,
    "/ledger/aim",
    "/ledger/yield",
    "/insight",
    "/practice",
    "/practice/crew",
    "/ledger/yield?by=person",
    `/bench/${done}`,
    "/ledger",
    "/ledger?result=unsure",
    `/ledger/${done}`,
    "/setup",
    "/setup/crew",
    "/entry",
    "/entry/entry-dome-gel?c=armoured-ribbon-96~through~t~&c=loose-tube-36~branch~~&c=flat-drop~drop~~&c=flat-drop~drop~~",
    "/shelf",
    "/shelf/new",
    "/shelf/procedures/stub-wedge-release-cord",
    "/shelf/procedures/stub-wedge-release-cord/edit",
    "/shelf/entries/entry-dome-gel",
    "/shelf/entries/entry-dome-gel/edit",
    "/shelf/cables/central-tube-ribbon-96",
    "/shelf/cables/central-tube-ribbon-96/edit",
    `/bench/batch/${batch}`,
    `/bench/batch/${batch}?end=${ends[0].id}`,
    `/bench/${cleave}`,
    "/nowhere",
  ];
}

const all = new Map<string, Promise<string[]>>();

/** The address of a view of each kind, with names as long as may be, on a server: made there once. */
export function everyView(request: APIRequestContext, url: string): Promise<string[]> {
  const views = all.get(url) ?? createEnds(request);
  all.set(url, views);
  return views;
}
