import { randomUUID } from "node:crypto";
import { z } from "zod";
import { check, InputError, type Instrument, type Length, repeatabilityOf, um, zStudyInput } from "@/core";
import type { Store } from "@/store/database";
import { shippedLibrary } from "@/store/shipped";
import { allStudies, findStudy, insertStudy, type StudyRow } from "@/store/studies";

export const zStudy = zStudyInput.extend({ id: z.uuid("An id is a UUID").optional() });

/** A study as it is kept, micrometres. */
export type Study = StudyRow;

/** Studies, newest first. */
export const studies = (store: Store): Study[] => allStudies(store, 200);

/**
 * Keeps a repeatability study: readings in millimetres of one piece, by one person with one instrument.
 * @throws InputError: an instrument that is not on the shelf; too few readings; a reading that cannot be.
 */
export function addStudy(store: Store, input: unknown, now = new Date()): Study {
  const { id = randomUUID(), person, instrument, readings } = check(zStudy, input);
  const found = shippedLibrary().instruments.find((one) => one.id === instrument);
  if (!found)
    throw new InputError("unknown-instrument", `No instrument called “${instrument}”.`, ["instrument"]);
  const { repeatability } = repeatabilityOf(readings);
  insertStudy(store, { id, at: now.toISOString(), person, instrument, readings, repeatability });
  return findStudy(store, id) as Study;
}

/** The instruments in somebody's hand: each with the repeatability of their latest study, where they made one. */
export function instrumentsOf(store: Store, person: string): Instrument[] {
  const own = studies(store).filter((one) => one.person === person);
  return shippedLibrary().instruments.map((one) => {
    const study = own.find(({ instrument }) => instrument === one.id);
    return study ? { ...one, repeatability: um(study.repeatability) as Length } : one;
  });
}
