import { z } from "zod";
import { InputError } from "@/core";
import { say } from "@/messages/service";
import { canonical } from "@/store/database/hash";
import type { Store } from "@/store/database/store";
import { type ShelfKind, shelfText, shelvedOf, wholeLibrary } from "@/store/shelf/shelf";

const zRevised = z.looseObject({ source: z.looseObject({ kind: z.string() }) });

/**
 * What a document says, whichever revision it is and whenever it was kept. Whose a procedure is follows from the figures
 * confirmed in it, of a shipped one none; who keeps a cable or an entry takes all of it for their own, which says something.
 */
function saidBy(kind: ShelfKind, document: unknown): string {
  const { revision: _, source, ...said } = zRevised.parse(document);
  if (kind !== "procedure") return canonical({ ...said, source: { ...source, date: null } });
  const shipped = source.kind === "own" ? {} : { confirmed: [] };
  return canonical({ ...said, ...shipped, source: { ...source, date: null, kind: null } });
}

/**
 * What says the same as the revision before it is none: an inspector would look for what was changed.
 * @throws InputError `unchanged`.
 */
export function mustDiffer(
  store: Store,
  { kind, id, revision, saved }: { kind: ShelfKind; id: string; revision: number; saved: unknown },
): void {
  const standing = wholeLibrary(store);
  // One that was put away stands on no shelf: keeping it brings it back.
  if (!shelvedOf(standing, kind).some((document) => document.id === id && document.revision === revision))
    return;
  if (saidBy(kind, saved) === saidBy(kind, JSON.parse(shelfText(store, kind, id).text)))
    throw new InputError("unchanged", say("nothing-was-saved-it-is-the-same", { revision }), ["document"]);
}
