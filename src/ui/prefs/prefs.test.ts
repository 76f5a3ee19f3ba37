import { describe, expect, it } from "vitest";
import { readPrefs, writePrefs } from "./prefs";

describe("preferences in a cookie", () => {
  it("come back as they were kept", () => {
    const saved = {
      ...readPrefs(undefined),
      units: "in",
      theme: "night",
      risk: null,
      name: "Øyvind; x=1",
    } as const;
    expect(readPrefs(writePrefs(saved))).toEqual(saved);
  });
  it.each([undefined, "", "%", "{", "[]", '{"units":"ells","risk":7}'])(
    "%s is read as the defaults",
    (cookie) => {
      expect(readPrefs(cookie)).toMatchObject({ units: "both", theme: "paper", risk: 0.05 });
    },
  );
});
