import {
  zAheadAnswer,
  zBegunAnswer,
  zClosure,
  zClosureAnswer,
  zClosuresAnswer,
  zIdAnswer,
  zJobAnswer,
  zJobsAnswer,
  zPieceAnswer,
  zPiecesAnswer,
  zPulseAnswer,
  zRevisionAnswer,
} from "@/core";
import { zBeginClosure, zCableQuery } from "@/service/job/begin-closure";
import { zNewClosure, zSaveClosure } from "@/service/job/closures";
import { zJobQuery, zJobsQuery, zNewJob, zNewPieces, zSavePlan } from "@/service/job/jobs";
import { zBeginPlaces, zPlaceQuery } from "@/service/job/places";
import { acted, type Route } from "./route-type";

/** What is planned, and how it stands: jobs, pieces and closures. */
export const PLAN_ROUTES: readonly Route[] = [
  {
    method: "get",
    path: "/jobs",
    does: "Jobs, newest first, a page at a time.",
    query: zJobsQuery,
    answer: zJobsAnswer,
  },
  {
    method: "post",
    path: "/jobs",
    does: "Begins a job.",
    body: acted(zNewJob),
    answer: zIdAnswer,
    status: 201,
  },
  {
    method: "get",
    path: "/jobs/{id}",
    does: "A job with its pieces as planned, a page at a time.",
    query: zJobQuery,
    answer: zJobAnswer,
  },
  {
    method: "post",
    path: "/jobs/{id}",
    does: "Adds pieces to a job, all or none.",
    body: acted(zNewPieces),
    answer: zPiecesAnswer,
    status: 201,
  },
  {
    method: "get",
    path: "/pieces/{id}",
    does: "A piece with how each of its places stands.",
    answer: zPieceAnswer,
  },
  {
    method: "get",
    path: "/pieces/{id}/ends",
    does: "What begins at a place of a piece, with the documents it would be made by.",
    query: zPlaceQuery,
    answer: zAheadAnswer,
  },
  {
    method: "post",
    path: "/pieces/{id}/ends",
    does: "Begins the end at a place of a piece, or several of one side as a batch.",
    body: acted(zBeginPlaces),
    answer: zBegunAnswer,
    status: 201,
  },
  {
    method: "post",
    path: "/pieces/{id}",
    does: "Saves a change to a piece's plan, or takes the piece off its job.",
    body: acted(zSavePlan),
    answer: zRevisionAnswer,
  },
  {
    method: "get",
    path: "/jobs/{id}/closures",
    does: "Closures of a job, in the order they came.",
    answer: zClosuresAnswer,
  },
  {
    method: "post",
    path: "/jobs/{id}/closures",
    does: "Adds a closure to a job.",
    body: acted(zNewClosure),
    answer: zClosure,
    status: 201,
  },
  {
    method: "get",
    path: "/pulse",
    does: "How far the record has come: it moves when an end is begun or signed, or a plan changed.",
    answer: zPulseAnswer,
  },
  {
    method: "get",
    path: "/closures/{id}",
    does: "A closure with how each of its cables stands.",
    answer: zClosureAnswer,
  },
  {
    method: "get",
    path: "/closures/{id}/ends",
    does: "What begins for a cable of a closure, with the documents it would be made by.",
    query: zCableQuery,
    answer: zAheadAnswer,
  },
  {
    method: "post",
    path: "/closures/{id}/ends",
    does: "Begins a cable of a closure, or several like ones as a batch.",
    body: acted(zBeginClosure),
    answer: zBegunAnswer,
    status: 201,
  },
  {
    method: "post",
    path: "/closures/{id}",
    does: "Saves a change to a closure, or takes it off its job.",
    body: acted(zSaveClosure),
    answer: zRevisionAnswer,
  },
];
