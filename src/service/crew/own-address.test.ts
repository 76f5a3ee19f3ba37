import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ownAddress } from "./own-address";

describe("where the door leads to", () => {
  it("is the page that was asked for", () => {
    for (const to of ["/", "/ledger?find=pad", "/bench/7#step", "/jobs/a%20b"])
      expect(ownAddress(to)).toBe(to);
  });
  it("is never another server, however its address is written", () => {
    for (const to of [
      "//example.org/",
      "/\\example.org",
      "/\t/example.org",
      "/\n/example.org",
      "\t//example.org",
      "https://example.org",
      "javascript:alert(1)",
      "/.//example.org",
      "/x/..//example.org",
      "",
    ])
      expect(new URL(ownAddress(to), "http://hall.local").origin, JSON.stringify(to)).toBe(
        "http://hall.local",
      );
    const odd = fc.string({
      unit: fc.constantFrom("/", "\\", "\t", "\n", ".", "a", "@", ":", "?", "#", "%09"),
    });
    fc.assert(
      fc.property(odd, (to) => {
        expect(new URL(ownAddress(to), "http://hall.local").origin).toBe("http://hall.local");
      }),
    );
  });
});
