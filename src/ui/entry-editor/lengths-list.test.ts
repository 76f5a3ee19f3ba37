import { describe, expect, it } from "vitest";
import type { EntryDocument } from "@/core";
import pedestal from "../../../library/entries/pedestal.json";
import { withListed } from "./lengths-list";

const { lengths } = pedestal as unknown as EntryDocument;

describe("an entry's lengths from a list", () => {
  it("take the place of its own, by their words or as they are said, with limits to one side or both", () => {
    const listed = withListed(
      lengths,
      "members,sheath edge,2 1/2,in,1/8,1/8\nSheath opening,cable end,1200,mm,10,",
    );
    expect(listed).toMatchObject({
      ok: true,
      value: {
        taken: 2,
        lengths: {
          members: { nominal: 63.5, plus: 3.175, minus: 3.175 },
          opening: { nominal: 1200, plus: 10, minus: 10 },
          yarn: lengths.yarn,
        },
      },
    });
  });
  it("are refused whole, saying which row and why, where one cannot be read", () => {
    const textOf = (text: string) => {
      const listed = withListed(lengths, text);
      return listed.ok ? listed.value.taken : listed.problem.message;
    };
    expect(textOf("members,,64,mm,5,5\nferrule,,3,mm,1,1")).toMatch(
      /^Row 2: an entry has no length called “ferrule”/,
    );
    expect(textOf("members,,long,mm,5,5")).toMatch(/^Row 1, members: /);
    expect(textOf("   ")).toMatch(/The text has no lengths/);
  });
});
