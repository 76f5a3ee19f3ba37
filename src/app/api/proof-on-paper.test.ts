import { spawnSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { signedEnd } from "@/service/fixtures/made-ends";
import { readProof } from "@/service/proof/read-proof";
import { verified } from "@/service/proof/verify";
import { openStore, theStore } from "@/service/the-store";
import { dispatch } from "./dispatch";

const folder = mkdtempSync(join(tmpdir(), "arlent-paper-"));
const ask = (path: string) =>
  dispatch(new Request(`http://127.0.0.1/api/v1${path}`), path.slice(1).replace(/\?.*/, "").split("/"));

beforeAll(() => {
  globalThis.arlentStore = openStore(join(folder, "hall.db"));
});
afterAll(() => {
  globalThis.arlentStore = undefined;
});

describe.each(["page", "log"])("a record printed as a %s", (form) => {
  it("has attached what proves it, under the seal that is printed on it", async () => {
    const end = signedEnd(theStore(), "Osla Brandt", 0);
    const pdf = new Uint8Array(await (await ask(`/ends/${end}/pdf?form=${form}`)).arrayBuffer());
    const document = await getDocument({ data: pdf, verbosity: 0 }).promise;
    const [attached] = Object.values<{ filename: string; content: Uint8Array }>(
      await document.getAttachments(),
    );
    const file = join(folder, `${form}.tar`);
    writeFileSync(file, attached?.content ?? "");
    const { seal, findings } = verified(await readProof(file));
    expect(findings).toEqual([]);
    expect(spawnSync("python3", ["docs/verify.py", file]).status).toBe(0);
    const texts: string[] = [];
    for (let n = 1; n <= document.numPages; n++)
      for (const item of (await (await document.getPage(n)).getTextContent()).items)
        if ("str" in item) texts.push(item.str);
    const text = texts.join("").replaceAll(" ", "");
    expect(text).toContain(`arlent-seal2${seal?.at}`);
    expect(text).toContain(seal?.root);
    expect(attached?.filename).toMatch(/^arlent-proof-[\w-]+\.tar$/);
  }, 60_000);
});

describe("the newest seal", () => {
  it("is answered in its one line, and the record holds it", async () => {
    const { seal } = await (await ask("/seal/latest")).json();
    expect(seal).toMatch(/^arlent-seal 2 /);
    const answer = await dispatch(
      new Request("http://127.0.0.1/api/v1/seal", {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ seal }),
      }),
      ["seal"],
    );
    expect(await answer.json()).toEqual({ findings: [] });
  });
  it("of another site's key is no seal of this one", async () => {
    const other = openStore(join(folder, "other.db"));
    signedEnd(other, "Wyn Harrow", 0);
    const { keepSeal, checkSignedSeal } = await import("@/service/keeping/kept-seals");
    const seal = keepSeal(other, join(folder, "other.db"));
    expect(checkSignedSeal(theStore(), seal)).toMatchObject([
      { what: expect.stringMatching(/not signed by this site/) },
    ]);
  });
});
