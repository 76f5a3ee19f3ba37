import "@/messages/speak";

import { problemOf } from "@/core";
import { readProof } from "@/service/proof/read-proof";
import { verified } from "@/service/proof/verify";

/**
 * Verifies a proof that some Arlent exported; with a second word, that it is signed by the key its crew published. Asks no
 * record. Ends 0 where all holds, 1 where something does not, 2 where the file is no proof.
 */
try {
  const [file, published] = process.argv.slice(2);
  if (file === undefined) throw new Error("npm run -s verify -- FILE.tar [KEY]");
  const { seal, ends, findings } = verified(await readProof(file));
  if (seal === null) throw new Error(findings.join(" "));
  console.log(`${ends} ends, sealed ${seal.at}, site key ${seal.key}`);
  const off =
    published === undefined || published === seal.key
      ? findings
      : [...findings, "The seal is signed by another key than the one published."];
  for (const finding of off) console.log(finding);
  console.log(off.length === 0 ? "It holds." : "It does not hold.");
  process.exitCode = off.length === 0 ? 0 : 1;
} catch (error) {
  console.error(problemOf(error)?.message ?? (error instanceof Error ? error.message : error));
  process.exitCode = 2;
}
