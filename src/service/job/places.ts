import { randomUUID } from "node:crypto";
import type { z } from "zod";
import type { JobId, PieceId } from "@/core";
import {
  type Ahead,
  addressText,
  type Cable,
  type Core,
  cableAt,
  fibreColour,
  InputError,
  isDone,
  type PieceAnswer,
  type PiecePlan,
  type Place,
  type PlannedEnd,
  parseAddress,
  placeKey,
  placeSides,
  placeText,
  plannedEnds,
  problemOf,
  sideText,
  standingOfEnd,
  type zBeginPlaces,
  type zPlaceQuery,
  type zStyle,
} from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { findJob, latestPlan, type PlanRow, piecesToGoOn } from "@/store/plan/plans";
import { endsOfPieces, type PlacedRow } from "@/store/record/ends";
import type { Act } from "../act";
import { compiled } from "../end/ends";
import { endRecord } from "../end/record";
import { sinceChanged } from "../since-changed";
import { aheadOf, type Beginning, beginAll } from "./begin-at";
import { pieceOf } from "./jobs";
import { newestAt } from "./placed";
import { shelved } from "./planning";
import { straysOf } from "./strays";

export function mustFindPiece(store: Store, id: PieceId): PlanRow & { body: string } {
  const row = latestPlan(store, id) ?? latestPlan(store, id.toLowerCase());
  if (!row || row.body === null)
    throw new InputError("not-found", say("no-piece-with-the-id-is-here-2", { id: id.slice(0, 60) }), ["id"]);
  return { ...row, body: row.body };
}

function cableOf(store: Store, plan: PiecePlan): Cable {
  const cable = shelved(store).cable(plan.cable);
  if (!cable)
    throw new InputError("unknown-cable", say("no-cable-called-2", { cable: plan.cable }), ["cable"]);
  return cable;
}

/** What a place is called at the bench: piece, side, address and, for one of twelve, its colour. */
function labelAt(plan: PiecePlan, place: Place): string {
  const last = place.address.at(-1);
  const colour = last && last.position <= 12 ? `, ${fibreColour(last.position).name}` : "";
  return `${plan.name}, ${placeText(place, plan)}${colour}`.slice(-120);
}

/**
 * What begins at a place of a piece: on what is in hand there, by the style planned unless another is asked for.
 * @throws InputError: `no-such-element`; whatever does not go together.
 */
export function beginningAt(
  store: Store,
  row: PlanRow & { readonly body: string },
  place: Place,
  style?: z.output<typeof zStyle>,
): Beginning {
  const { plan } = pieceOf(row);
  const cable = cableOf(store, plan);
  const shelf = shelved(store);
  const at = cableAt(plan, cable, place, shelf);
  const picked =
    style ??
    plannedEnds(plan, place.side, cable, shelf).find(
      (plannedEnd) => placeKey(plannedEnd) === placeKey(place),
    );
  if (!picked)
    throw new InputError(
      "no-such-element",
      say("nothing-is-planned-at-pick-a-connector", { placeText: placeText(place, plan) }),
      ["addresses"],
    );
  const { procedure, choices } = picked;
  return {
    compiled: compiled(store, { cable: at, procedure, revision: style?.revision, core: plan.core, choices }),
    where: { piece: row.piece, plan: row.revision, ...place },
    label: labelAt(plan, place),
  };
}

/**
 * Begins the end at a place of a piece, or several of one side as a batch, each at its own: what is in hand there is found
 * from the plan. Asking again with the same id answers the same.
 * @throws InputError: `no-such-element`; `moved-on` where somebody has that end at the bench; whatever does not go together.
 */
export function beginPlaces(
  act: Act,
  piece: PieceId,
  input: z.output<typeof zBeginPlaces>,
): { id: string; batch: boolean } {
  const { store } = act;
  const { id = randomUUID(), side, addresses, style, rule, purpose } = input;
  const row = mustFindPiece(store, piece);
  const { plan } = pieceOf(row);
  return beginAll(
    act,
    {
      id,
      name: `${plan.name}, ${sideText(side, plan)}`,
      job: jobName(store, row.job),
      rule,
      purpose,
    },
    addresses.map((address) => beginningAt(store, row, { side, address }, style)),
  );
}

type PlaceQuery = z.output<typeof zPlaceQuery>;

/** What is in hand at a place of a piece. @throws InputError `not-found`, `no-such-element`. */
export const cableAtPlace = (store: Store, piece: PieceId, { side, at }: PlaceQuery): Cable =>
  inHand(store, piece, { side, address: parseAddress(at) }).cable;

/** What begins at a place of a piece. @throws InputError `no-such-element`; whatever does not go together. */
export function aheadAtPlace(store: Store, piece: PieceId, { side, at }: PlaceQuery): Ahead {
  return aheadOf(beginningAt(store, mustFindPiece(store, piece), { side, address: parseAddress(at) }));
}

/** A job as it is called at the bench. */
export const jobName = (store: Store, id: JobId): string => findJob(store, id)?.name.slice(0, 120) ?? "";

/** What is in hand at a place, for the sheet: as a cable of its own, with the core and where it is. */
export interface InHand {
  readonly piece: PieceId;
  readonly place: Place;
  readonly cable: Cable;
  readonly core: Core;
  readonly job: { readonly id: string; readonly name: string };
  /** What the piece is called, and the place. */
  readonly name: string;
  readonly text: string;
  readonly planned: PlannedEnd | null;
}

/** @throws InputError `not-found`, `no-such-element`. */
export function inHand(store: Store, piece: PieceId, place: Place): InHand {
  const row = mustFindPiece(store, piece);
  const { plan } = pieceOf(row);
  const cable = cableOf(store, plan);
  const shelf = shelved(store);
  const planned = plannedEnds(plan, place.side, cable, shelf).find(
    (plannedEnd) => placeKey(plannedEnd) === placeKey(place),
  );
  return {
    piece: row.piece,
    place,
    cable: cableAt(plan, cable, place, shelf),
    core: plan.core,
    job: { id: row.job, name: findJob(store, row.job)?.name ?? "" },
    name: plan.name,
    text: placeText(place, plan),
    planned: planned ?? null,
  };
}

/** How each planned place of some pieces stands, in their order; a piece whose plan can no longer be worked out has none. */
export function plannedPlaces(
  store: Store,
  pieces: readonly { readonly id: string; readonly plan: PiecePlan }[],
): Map<string, PieceAnswer["places"]> {
  const shelf = shelved(store);
  const rows = new Map<string, PlacedRow[]>();
  for (const row of endsOfPieces(
    store,
    pieces.map(({ id }) => id),
  ))
    rows.set(row.piece ?? "", [...(rows.get(row.piece ?? "") ?? []), row]);
  return new Map(
    pieces.map(({ id, plan }) => {
      const there = newestAt(rows.get(id) ?? []);
      const cable = shelf.cable(plan.cable);
      if (!cable) return [id, []];
      try {
        const planned = placeSides(plan).flatMap((side) => plannedEnds(plan, side, cable, shelf));
        const keys = new Set(planned.map(placeKey));
        // What was made where nothing is planned any more is shown all the same.
        const further = [...there].flatMap(([key, { side, address, style }]) =>
          side && address && !keys.has(key) ? [{ side, address, procedure: style, openedAt: null }] : [],
        );
        return [
          id,
          [...planned, ...further].map(({ side, address, procedure }) => {
            const end = there.get(placeKey({ side, address }));
            return {
              side,
              address,
              text: addressText(address),
              procedure,
              standing: standingOfEnd(end),
              end: end?.id ?? null,
              batch: end?.batchId ?? null,
              legs: [],
            };
          }),
        ];
      } catch (error) {
        if (problemOf(error)) return [id, []];
        throw error;
      }
    }),
  );
}

/** A piece with how each of its places stands. @throws InputError `not-found`. */
export function getPiece(store: Store, id: PieceId): PieceAnswer {
  const piece = pieceOf(mustFindPiece(store, id));
  return { ...piece, places: placesOfPiece(store, piece) };
}

/** How each planned place of a piece stands, and each leg there where it is a cord of several. */
export function placesOfPiece(
  store: Store,
  piece: { readonly id: string; readonly plan: PiecePlan },
): PieceAnswer["places"] {
  const places = plannedPlaces(store, [piece]).get(piece.id) ?? [];
  const cord = (shelved(store).cable(piece.plan.cable)?.legs.length ?? 1) > 1;
  return cord
    ? places.map((place) =>
        place.end === null ? place : { ...place, legs: endRecord(store, place.end).legs },
      )
    : places;
}

/**
 * The place to go on at: what is at the bench first, then the first with nothing done, then the first that failed; never
 * one inside an element that is still to be opened well.
 */
export function nextPlace(places: PieceAnswer["places"]): PieceAnswer["places"][number] | null {
  const standings = new Map(places.map((place) => [placeKey(place), place.standing]));
  const open = places.filter(({ side, address, standing }) => {
    const around = address.map((_, depth) =>
      standings.get(placeKey({ side, address: address.slice(0, depth) })),
    );
    return !isDone(standing) && around.every((other) => other === undefined || isDone(other));
  });
  return (
    places.find(({ standing }) => standing === "bench") ??
    open.find(({ standing }) => standing === "planned") ??
    open[0] ??
    null
  );
}

/** Pieces looked at for the next end: of most, the first has one. */
const LOOKED_AT = 20;

const goOnWith = sinceChanged((store: Store, job: JobId) =>
  piecesToGoOn(store, job, LOOKED_AT, straysOf(store, job)),
);

/** The end of a job to go on with: at the bench first, else the first where nothing good stands; null when all is done. */
export function nextOfJob(store: Store, job: JobId): NextOfJob | null {
  for (const id of goOnWith(store, job)) {
    const { plan, places } = getPiece(store, id);
    const place = nextPlace(places);
    if (!place) continue;
    const style = shelved(store).procedure(place.procedure);
    return {
      piece: id,
      name: plan.name,
      place,
      at: placeText(place, plan),
      style: style?.name ?? place.procedure,
      rough: style === undefined || style.source.kind === "representative",
    };
  }
  return null;
}

export interface NextOfJob {
  readonly piece: PieceId;
  readonly name: string;
  readonly place: PieceAnswer["places"][number];
  /** The place as it is said. */
  readonly at: string;
  readonly style: string;
  /** Whether figures of it are nobody's own yet: asked about on its sheet before the first cut. */
  readonly rough: boolean;
}
