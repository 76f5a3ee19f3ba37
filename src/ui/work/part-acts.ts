import { type EndEvent, type Forgotten, overFaceEvents, type RunSheet, restartEvent } from "@/core";

/** What can be done about parts that are not on, or on in the wrong order. */
export function partActsOn(sheet: RunSheet, add: (event: EndEvent) => void, clear: () => void) {
  /** What puts a forgotten part right: on now with what goes in front of it, or all cut off and begun again. */
  const reworkPart = ({ part, behind, shutOutBy }: Forgotten) => {
    if (shutOutBy === null) {
      for (const { id: off } of behind) add({ kind: "thread", part: off, on: false });
      for (const { id: on } of [part, ...behind]) add({ kind: "thread", part: on, on: true });
      return;
    }
    clear();
    add(restartEvent(sheet, part.id));
  };
  /** A forgotten part threaded over the cleaved end: what follows is a fresh cleave. */
  const threadOver = (missing: Forgotten) => {
    if (missing.overFace !== null)
      for (const event of overFaceEvents(sheet, missing, missing.overFace)) add(event);
  };
  /** Parts taken off and threaded on again, in this order. */
  const putAgain = (parts: readonly string[]) => {
    for (const on of [false, true]) for (const part of parts) add({ kind: "thread", part, on });
  };
  return { reworkPart, threadOver, putAgain };
}
