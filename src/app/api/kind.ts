import { InputError } from "@/core";
import { say } from "@/messages/service";

const KINDS = { procedures: "procedure", cables: "cable", entries: "entry" } as const;

const isKept = (path: string): path is keyof typeof KINDS => Object.hasOwn(KINDS, path);

/** Which kind of document a path names. @throws InputError `not-found`. */
export function kindOf(path: string): (typeof KINDS)[keyof typeof KINDS] {
  if (isKept(path)) return KINDS[path];
  throw new InputError("not-found", say("the-shelf-has", { Object: Object.keys(KINDS).join(", ") }), [
    "kind",
  ]);
}
