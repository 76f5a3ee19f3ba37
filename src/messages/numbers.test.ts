import { afterEach, describe, expect, it } from "vitest";
import { ENGLISH, setLanguage } from "./language";
import { count, decimal, moment } from "./numbers";

afterEach(() => setLanguage(ENGLISH));

// Decimal signs and the order of a date: Unicode CLDR, as the runtime's own ICU has them.
describe("numbers and dates", () => {
  it("have a point in English and a comma where the language has one", () => {
    expect(decimal("−1.85")).toBe("−1.85");
    setLanguage({ code: "fr", rooms: {} });
    expect(decimal("−1.85")).toBe("−1,85");
  });
  it("set thousands apart as the language does", () => {
    expect(count(12_500)).toBe("12,500");
    setLanguage({ code: "de", rooms: {} });
    expect(count(12_500)).toBe("12.500");
  });
  it("name the month in the language", () => {
    const noon = new Date(2026, 4, 26, 12, 5);
    expect(moment(noon)).toBe("26 May 2026, 12:05");
    setLanguage({ code: "de", rooms: {} });
    expect(moment(noon)).toMatch(/26\. Mai 2026.*12:05/);
  });
});
