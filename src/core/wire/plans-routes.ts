import { zClosureRecord } from "../closure/closure-record";
import { zIdAnswer, zRevisionAnswer } from "./answers";
import {
  zAheadAnswer,
  zBegunAnswer,
  zClosure,
  zClosureAnswer,
  zClosureEventsAnswer,
  zClosuresAnswer,
  zJobAnswer,
  zJobsAnswer,
  zPieceAnswer,
  zPiecesAnswer,
} from "./jobs";
import { zClosureFile } from "./keeping-requests";
import { zLinkAnswer, zLinkQuery } from "./link";
import {
  zAddClosureEvents,
  zBeginClosure,
  zBeginPlaces,
  zCableQuery,
  zJobQuery,
  zJobsQuery,
  zNewClosure,
  zNewJob,
  zNewPieces,
  zPlaceQuery,
  zSaveClosure,
  zSavePlan,
} from "./plans-requests";
import { route } from "./route";

/** The interface for programs: jobs with their pieces and closures. */
export const PLANS_ROUTES = {
  "get /jobs": route({
    does: "Jobs, newest first, a page at a time.",
    query: zJobsQuery,
    answer: zJobsAnswer,
  }),
  "post /jobs": route({
    does: "Begins a job.",
    body: zNewJob,
    answer: zIdAnswer,
    status: 201,
    acts: true,
    roles: ["lead"],
  }),
  "get /jobs/{id}": route({
    does: "A job with its pieces as planned, a page at a time.",
    query: zJobQuery,
    answer: zJobAnswer,
  }),
  "post /jobs/{id}": route({
    does: "Adds pieces to a job, all or none.",
    body: zNewPieces,
    answer: zPiecesAnswer,
    status: 201,
    acts: true,
    roles: ["lead"],
  }),
  "get /pieces/{id}": route({ does: "A piece with how each of its places stands.", answer: zPieceAnswer }),
  "get /pieces/{id}/link": route({
    does: "The link a fibre of a piece is part of: what light meets, its expected loss, what was measured over it.",
    query: zLinkQuery,
    answer: zLinkAnswer,
  }),
  "get /pieces/{id}/ends": route({
    does: "What begins at a place of a piece, with the documents it would be made by.",
    query: zPlaceQuery,
    answer: zAheadAnswer,
  }),
  "post /pieces/{id}/ends": route({
    does: "Begins the end at a place of a piece, or several of one side as a batch.",
    body: zBeginPlaces,
    answer: zBegunAnswer,
    status: 201,
    acts: true,
    logged: true,
  }),
  "post /pieces/{id}": route({
    does: "Saves a change to a piece's plan, or takes the piece off its job.",
    body: zSavePlan,
    answer: zRevisionAnswer,
    acts: true,
    roles: ["lead"],
  }),
  "get /jobs/{id}/closures": route({
    does: "Closures of a job, in the order they came.",
    answer: zClosuresAnswer,
  }),
  "post /jobs/{id}/closures": route({
    does: "Adds a closure to a job.",
    body: zNewClosure,
    answer: zClosure,
    status: 201,
    acts: true,
    roles: ["lead"],
  }),
  "get /closures/{id}": route({
    does: "A closure with how each of its cables stands.",
    answer: zClosureAnswer,
  }),
  "get /closures/{id}/ends": route({
    does: "What begins for a cable of a closure, with the documents it would be made by.",
    query: zCableQuery,
    answer: zAheadAnswer,
  }),
  "post /closures/{id}/ends": route({
    does: "Begins a cable of a closure, or several like ones as a batch.",
    body: zBeginClosure,
    answer: zBegunAnswer,
    status: 201,
    acts: true,
    logged: true,
  }),
  "get /closures/{id}/events": route({
    does: "What happened to a closure as it was worked at, in order.",
    answer: zClosureEventsAnswer,
  }),
  "post /closures/{id}/events": route({
    does: "Adds to what happened to a closure: acts, looks, readings, splices; refused where they cannot be yet.",
    body: zAddClosureEvents,
    answer: zClosureEventsAnswer,
    acts: true,
  }),
  "get /closures/{id}/record": route({
    does: "The record of a closure: cables, work, splices with their tries, spares, openings.",
    answer: zClosureRecord,
  }),
  "get /closures/{id}/file": route({
    does: "The record of a closure as a file: on paper, or a row a thing.",
    query: zClosureFile,
    answer: { media: ["application/pdf", "text/csv"] },
  }),
  "post /closures/{id}": route({
    does: "Saves a change to a closure, or takes it off its job.",
    body: zSaveClosure,
    answer: zRevisionAnswer,
    acts: true,
    roles: ["lead"],
  }),
} as const;
