// Sets the key a crew's devices are asked for: `npm run -s crew-key` makes one and prints it, once; `-- --stdin` takes
// one that is piped in. Only its hash is kept. A new key ends every session. Needs nothing but Node.
import { randomBytes, scryptSync } from "node:crypto";
import { mkdirSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";
import { crewFile, settings } from "./serve.mjs";
import { fail, needsNode } from "./setup.mjs";

needsNode();
const [flag, ...others] = process.argv.slice(2);
if (others.length > 0 || (flag !== undefined && flag !== "--stdin"))
  fail("npm run -s crew-key takes nothing, or --stdin for a key piped in.");

/** Letters and digits that are not taken for one another. */
const LETTERS = "abcdefghjkmnpqrstuvwxyz23456789";
const createKey = () =>
  Array.from({ length: 4 }, () =>
    [...randomBytes(5)].map((byte) => LETTERS[byte % LETTERS.length]).join(""),
  ).join("-");

const key = flag ? readFileSync(0, "utf8").trim() : createKey();
if (key.length < 12) fail("A crew key has at least 12 characters.");
const n = 2 ** 15;
const salt = randomBytes(16);
const hash = scryptSync(key.normalize("NFKC"), salt, 32, { N: n, r: 8, p: 1, maxmem: 256 * n * 8 });
const file = crewFile(settings("data/arlent.db").database);
mkdirSync(dirname(file), { recursive: true });
const kept = {
  v: 1,
  n,
  salt: salt.toString("base64"),
  hash: hash.toString("base64"),
  secret: randomBytes(32).toString("base64"),
};
writeFileSync(`${file}.part`, JSON.stringify(kept), { mode: 0o600 });
renameSync(`${file}.part`, file);
if (flag) console.error("The key is set; every device is asked for it.");
else console.log(`${key}\n\nThis is the crew's key: it is shown this once. Every device is asked for it.`);
