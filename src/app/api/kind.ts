import { InputError } from "@/core";

const KINDS = { procedures: "procedure", cables: "cable", entries: "entry" } as const;

/** Which kind of document a path names. @throws InputError `not-found`. */
export function kindOf(path: string): (typeof KINDS)[keyof typeof KINDS] {
  if (Object.hasOwn(KINDS, path)) return KINDS[path as keyof typeof KINDS];
  throw new InputError("not-found", `The shelf has ${Object.keys(KINDS).join(", ")}.`, ["kind"]);
}
