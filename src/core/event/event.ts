import { z } from "zod";
import { zMm, zUm } from "../length/length";
import { zEndFace } from "../light/end-face";
import { zLight } from "../light/light-reading";
import { said } from "../words/core";
import { zCorrection, zCountersign, zPark, zPhoto, zSign } from "./kinds/closing";
import { spareWith, zCounted, zShards, zTimer, zUse } from "./kinds/counting";
import { faultWith } from "./kinds/fault";
import type { LengthSchema } from "./kinds/length-schema";
import { zLabel, zStepTo, zThread } from "./kinds/progress";
import { readingWith, zAnswer, zStrike } from "./kinds/reading";
import { restartWith, retryWith, reworkWith, zTakeBack, zTrimmed } from "./kinds/way-back";

/** Every event there is, its lengths written as `zLength` has it. */
const eventsWith = (zLength: LengthSchema) =>
  z.discriminatedUnion(
    "kind",
    [
      zThread,
      zStepTo,
      readingWith(zLength),
      zStrike,
      zAnswer,
      zLabel,
      retryWith(zLength),
      zShards,
      zUse,
      zTimer,
      zSign,
      restartWith(zLength),
      reworkWith(zLength),
      zTrimmed,
      zTakeBack,
      faultWith(zLength),
      zPark,
      zCounted,
      spareWith(zLength),
      zCorrection,
      zPhoto,
      zCountersign,
      zLight,
      zEndFace,
    ],
    said("kind-must-be-one-of-thread-step"),
  );

/** What can happen to an end at the bench, as it is stored: lengths in whole micrometres. Events are only ever added. */
export const zStoredEvent = eventsWith(zUm);

/** The same as it travels: lengths in millimetres. */
export const zEvent = eventsWith(zMm);

export type EndEvent = z.output<typeof zStoredEvent>;
export type Reading = Extract<EndEvent, { kind: "reading" }>;
export type ReworkTaken = Extract<EndEvent, { kind: "rework" }>;
/** An event with plain numbers for its lengths, whole micrometres. */
export type EventInput = z.input<typeof zStoredEvent>;
