import { check, InputError } from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { inTransaction } from "@/store/database/transaction";
import { keepDocumentAs } from "@/store/record/documents";
import { findBatch, findEnd, insertBatch, insertEndAsWas } from "@/store/record/ends";
import { insertEventRow } from "@/store/record/events";
import { zFounding } from "@/store/record/founding";
import { enterHead } from "@/store/record/heads";
import { keepPhoto } from "@/store/record/photos";
import { addToRegister } from "@/store/record/register";
import { actOn } from "../act";
import { enter } from "../crew/log";
import { rebuildEnd } from "../keeping/rebuild";
import { END_FILE, type ProvenEnd, zProvenEnd } from "./bundle";
import { verified } from "./verify";

/** What came of taking a proof into a record. */
interface TakenIn {
  readonly ends: number;
  /** Ends that were here already, as they are in the proof. */
  readonly there: number;
}

const DOCUMENTS = ["procedure", "cable", "tools", "sheet"] as const;

type Files = ReadonlyMap<string, Uint8Array>;

/**
 * Takes the ends of a proof into a record, all or none: word for word, under the hashes they had, with documents and
 * photographs. The log says which seal they came under.
 * @throws InputError `altered`: the proof does not hold; `id-taken`: an end is here and says something else; `newer`: an end
 * of version 1, of which a proof has not all.
 */
export function takeIn(store: Store, files: Files, now: Date): TakenIn {
  const { seal, findings } = verified(files);
  if (seal === null || findings.length > 0)
    throw new InputError(
      "altered",
      say("this-proof-does-not-hold", { first: findings.slice(0, 3).join(" ") }),
      ["proof"],
    );
  const ends = [...files].flatMap(([name, bytes]) =>
    END_FILE.test(name) ? [check(zProvenEnd, JSON.parse(Buffer.from(bytes).toString("utf8")))] : [],
  );
  return inTransaction(store, () => {
    const fresh = ends.filter((end) => !isThere(store, end));
    for (const end of fresh) addProvenEnd(store, end, files);
    enter(actOn(store, now), { kind: "acted", route: "import", ref: seal.line, how: null, token: null });
    return { ends: fresh.length, there: ends.length - fresh.length };
  });
}

/** Whether an end is here already, as it is in the proof. @throws InputError `id-taken`. */
function isThere(store: Store, { id, events }: ProvenEnd): boolean {
  const row = findEnd(store, id);
  if (!row) return false;
  const last = events.at(-1)?.hash ?? row.lastHash;
  if (row.lastHash !== last)
    throw new InputError(
      "id-taken",
      say("this-end-is-here-and-says-something-else", { id: id.slice(0, 8) }),
      ["proof"],
    );
  return true;
}

const textOf = (files: Files, hash: string): string =>
  Buffer.from(files.get(`documents/${hash}.json`) ?? []).toString("utf8");

function addProvenEnd(store: Store, end: ProvenEnd, files: Files): void {
  const { id, founding, batch, events, lines, photographs } = end;
  if (founding === null)
    throw new InputError("newer", say("an-end-of-version-1-comes-by-a-backup", { id: id.slice(0, 8) }), [
      "proof",
    ]);
  const said = check(zFounding, JSON.parse(founding));
  for (const kind of DOCUMENTS) {
    const hash = said[kind];
    const digest = lines.find((line) => line.kind === "document" && line.ref === hash)?.digest ?? "";
    keepDocumentAs(store, { kind, body: textOf(files, hash) }, digest);
  }
  for (const hash of photographs) {
    const bytes = files.get(`photos/${hash}.jpg`);
    if (bytes) keepPhoto(store, Buffer.from(bytes));
  }
  if (batch && !findBatch(store, batch.id)) insertBatch(store, batch);
  insertEndAsWas(store, said, founding);
  const signs = new Set(lines.flatMap(({ kind, digest }) => (kind === "signed" ? [digest] : [])));
  for (const event of events) {
    insertEventRow(store, { ...event, endId: id });
    if (signs.has(event.hash)) addToRegister(store, "signed", id, event.hash);
  }
  const last = events.at(-1);
  if (last) enterHead(store, id, last.hash);
  const [failed] = rebuildEnd(store, id);
  if (failed) throw new InputError("altered", failed.why, ["proof"]);
}
