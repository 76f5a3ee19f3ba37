import { z } from "zod";
import type { EndId } from "@/core";
import { check, InputError, type RecordFinding, type Seal, zSeal, type zSealAnswer } from "@/core";
import { say, t } from "@/messages/service";
import { PROGRAM } from "@/store/database/program";
import type { Store } from "@/store/database/store";
import { registerHashAt, sealedEnds, sealedToNow, sealRoot } from "@/store/record/seal";

/** Seals the record as it is. */
export function makeSeal(store: Store, now = new Date()): z.output<typeof zSealAnswer> {
  const to = sealedToNow(store);
  const ends = sealedEnds(store, to);
  const seal = {
    seal: 1 as const,
    at: now.toISOString(),
    program: PROGRAM,
    ...to,
    root: sealRoot(ends, registerHashAt(store, to.register)),
  };
  return {
    ...seal,
    ends: ends.map(({ end, hash }) => [end, hash]),
    short: shortSeal(seal),
  };
}

/** A seal in one line, as it is printed and shown as a QR code. */
const shortSeal = ({ at, events, register, root }: Omit<Seal, "ends">): string =>
  `arlent-seal 1 ${at} ${register} ${events} ${root}`;

const SHORT = /^arlent-seal 1 (\S{1,40}) (\d{1,15}) (\d{1,15}) ([0-9a-f]{64})$/;

/** Reads a seal as it was saved, or its one line. @throws InputError `not-a-seal`. */
function readSeal(text: string): Seal {
  const trimmed = text.trim();
  const [, at, register, events, root] = SHORT.exec(trimmed) ?? [];
  if (at !== undefined && root !== undefined)
    return { seal: 1, at, program: "", register: Number(register), events: Number(events), root };
  try {
    const { short: _, ...seal } = z.record(z.string(), z.unknown()).parse(JSON.parse(trimmed));
    return check(zSeal, seal);
  } catch (cause) {
    throw new InputError("not-a-seal", say("that-is-no-seal-of-this-program"), ["seal"], { cause });
  }
}

/**
 * Holds the record against an earlier seal: what was there then must be there now, as it was.
 * @returns findings, none where it holds.
 * @throws InputError `not-a-seal`.
 */
export function checkSeal(store: Store, text: string): RecordFinding[] {
  const seal = readSeal(text);
  const now = sealedEnds(store, seal);
  if (sealRoot(now, registerHashAt(store, seal.register)) === seal.root) return [];
  const altered = (end: EndId, detail: string): RecordFinding => ({
    end,
    name: end ? "an end" : "the record",
    seq: null,
    what: detail,
    note: false,
  });
  const there = new Map(now.map(({ end, hash }) => [end, hash]));
  const named = (seal.ends ?? []).flatMap(([end, hash]) => {
    const sealed = there.get(end);
    if (sealed === undefined) return [altered(end, t("it-was-there-when-the-record-was", { at: seal.at }))];
    return sealed === hash ? [] : [altered(end, t("what-had-happened-to-it-by-is", { at: seal.at }))];
  });
  return named.length > 0 ? named : [altered("", t("it-is-not-as-it-was-sealed", { at: seal.at }))];
}
