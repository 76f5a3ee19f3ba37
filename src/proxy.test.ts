import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { expect, it } from "vitest";
import { MESSAGE_STYLE } from "./proxy";

it("lets the style sheet of the messages in as it stands in its package", () => {
  const source = readFileSync("node_modules/sonner/dist/index.mjs", "utf8");
  const [, literal = '""'] = /^__insertCSS\((".*")\);?$/m.exec(source) ?? [];
  const css: unknown = JSON.parse(literal);
  const hash = createHash("sha256").update(String(css)).digest("base64");
  expect(`sha256-${hash}`).toBe(MESSAGE_STYLE);
});
