import type { z } from "zod";
import { coded } from "../problem/codes";
import { t } from "../words/core";

/** Of a list whose members go by a name each: one that stands there twice is refused, at its second place. */
export const eachOnce =
  <Key extends string>(key: Key) =>
  (list: readonly Readonly<Record<Key, string>>[], context: z.RefinementCtx): void => {
    const names = new Set<string>();
    for (const [at, { [key]: name }] of list.entries()) {
      if (names.has(name))
        context.addIssue({
          code: "custom",
          path: [at, key],
          message: t("is-listed-twice", { id: name }),
          params: coded("duplicate"),
        });
      names.add(name);
    }
  };
