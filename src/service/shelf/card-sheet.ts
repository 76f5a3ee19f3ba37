import { z } from "zod";
import { check, InputError, mustHoldAt, type RunSheet } from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { wholeLibrary } from "@/store/shelf/shelf";
import { sheetOnce } from "../known";

/** What is picked of a procedure: an option for a choice. */
const zPicked = z.record(z.string().max(80), z.string().max(80));

interface CardSheet {
  readonly cable: string;
  readonly procedure: string;
  readonly core?: string | undefined;
  /** As JSON. */
  readonly choices: string;
}

/** The run sheet a card is made of. @throws InputError for a cable or procedure that is not on the shelf, or does not fit. */
export function cardSheet(store: Store, wanted: CardSheet): RunSheet {
  const library = wholeLibrary(store);
  const cable = library.cables.find(({ id }) => id === wanted.cable);
  if (!cable)
    throw new InputError("unknown-cable", say("no-cable-called-2", { cable: wanted.cable }), ["cable"]);
  const procedure = library.procedures.find(({ id }) => id === wanted.procedure);
  if (!procedure)
    throw new InputError("not-found", say("no-procedure-called", { id: wanted.procedure }), ["procedure"]);
  return sheetOnce(library, {
    cable,
    procedure,
    core: wanted.core ?? mustHoldAt(cable.cores, 0),
    choices: choicesIn(wanted.choices),
  });
}

function choicesIn(text: string) {
  try {
    return check(zPicked, JSON.parse(text));
  } catch (cause) {
    throw new InputError("bad-input", say("the-choices-must-be-json"), ["choices"], { cause });
  }
}
