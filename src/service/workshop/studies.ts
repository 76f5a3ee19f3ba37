import { randomUUID } from "node:crypto";
import type { z } from "zod";
import {
  InputError,
  type Instrument,
  type Length,
  type Person,
  personBy,
  repeatabilityOf,
  um,
  type zStudy,
} from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { shippedLibrary } from "@/store/shelf/shipped";
import { allPeople } from "@/store/workshop/people";
import { allStudies, insertStudy, type StudyRow, studiesBy } from "@/store/workshop/studies";
import type { Act } from "../act";
import { biases } from "./tool-checks";

/** A study as it is kept, micrometres. */
interface StoredStudy extends Omit<StudyRow, "readings" | "repeatability"> {
  readonly readings: readonly Length[];
  readonly repeatability: Length;
}

const inLengths = (row: StudyRow): StoredStudy => ({
  ...row,
  readings: row.readings.map(um),
  repeatability: um(row.repeatability),
});

const MOST = 200;

/** Studies, newest first. */
export const listStudies = (store: Store): StoredStudy[] => allStudies(store, MOST).map(inLengths);

/**
 * Keeps a repeatability study: readings in millimetres of one piece, by one person with one instrument.
 * @throws InputError: an instrument that is not on the shelf; nobody by that id; too few readings; one that cannot be.
 */
export function addStudy({ store, now }: Act, input: z.output<typeof zStudy>): StoredStudy {
  const { id = randomUUID(), person: by, instrument, readings } = input;
  const match = shippedLibrary().instruments.find((eachInstrument) => eachInstrument.id === instrument);
  if (!match)
    throw new InputError("unknown-instrument", say("no-instrument-called", { instrument }), ["instrument"]);
  const person = mustKnow(store, by);
  const { repeatability } = repeatabilityOf(readings);
  const row = {
    id,
    at: now.toISOString(),
    person: person.name,
    by: person.id,
    instrument,
    readings,
    repeatability,
  };
  insertStudy(store, row);
  return row;
}

function mustKnow(store: Store, id: string): Person {
  const person = personBy(allPeople(store), id);
  if (!person) throw new InputError("unknown-person", say("say-whose-hand-it-is-pick-a"), ["person"]);
  return person;
}

/**
 * The instruments in somebody's hand: each with the repeatability of their latest study, where they made one, and with its
 * bias, where it was checked against a gauge.
 */
export function instrumentsOf(store: Store, person: string | null): Instrument[] {
  const ids = person === null ? [] : (personBy(allPeople(store), person)?.ids ?? []);
  const own = ids.length > 0 ? studiesBy(store, ids, MOST) : [];
  const biasOf = biases(store, person);
  return shippedLibrary().instruments.map((eachInstrument) => {
    const study = own.find(({ instrument }) => instrument === eachInstrument.id);
    const bias = biasOf.get(eachInstrument.id);
    return {
      ...eachInstrument,
      ...(study && { repeatability: um(study.repeatability) }),
      ...(bias !== undefined && { bias }),
    };
  });
}

/** The instruments of the shelf, as they come. */
export const shippedInstruments = (): readonly Instrument[] => shippedLibrary().instruments;
