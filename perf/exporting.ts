import { readFileSync } from "node:fs";
import { join } from "node:path";
import { signedEnd } from "@/service/fixtures/made-ends";
import { MOST_ON_PAPER } from "@/service/ledger/ledger";
import { openStore } from "@/store/opening/open";
import { freePort, startServer } from "../harness/next-server";
import { line, spread, timed } from "./measure";

/** Memory a process holds, megabytes; NaN where the machine does not say. */
function memoryOf(pid: number): number {
  try {
    return Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))?.[1]) / 1024;
  } catch {
    return Number.NaN;
  }
}

/** How long each of some requests waits, sent one after the other while something else is done. */
async function meanwhile(
  request: () => Promise<unknown>,
  work: () => Promise<void>,
): Promise<{ readonly waits: readonly number[]; readonly seconds: number }> {
  let done = false;
  const waits: number[] = [];
  const asking = (async () => {
    while (!done) {
      const start = performance.now();
      await request();
      waits.push(performance.now() - start);
    }
  })();
  try {
    return { waits, seconds: await timed(work) };
  } finally {
    done = true;
    await asking;
  }
}

const tell = (waits: readonly number[]): string =>
  `${spread(waits)}, at most ${Math.max(...waits).toFixed(0)} ms of ${waits.length}`;

/** The whole ledger as files: the server's memory, and how long any other request, or a stored reading, waits meanwhile. */
export async function exporting(
  { url, pid }: { readonly url: string; readonly pid: number },
  store?: () => Promise<void>,
): Promise<void> {
  const trivial = async () => (await fetch(`${url}/api/v1/timers`)).arrayBuffer();
  for (const format of ["json", "csv"] as const) {
    let bytes = 0;
    const before = memoryOf(pid);
    let most = before;
    const { waits, seconds } = await meanwhile(store ?? trivial, async () => {
      const answer = await fetch(`${url}/api/v1/ledger?format=${format}`);
      for await (const chunk of answer.body ?? []) {
        bytes += chunk.length;
        most = Math.max(most, memoryOf(pid));
      }
    });
    line(`ledger as ${format}`, `${(bytes / 1e6).toFixed(1)} MB in ${seconds.toFixed(1)} s`);
    line(
      "  the server's memory",
      `${before.toFixed(0)} MB before, at most ${most.toFixed(0)} MB while it is sent`,
    );
    line(store ? "  a reading stored meanwhile" : "  another request meanwhile", tell(waits));
  }
}

/** Long enough after the start for what is warmed then. */
const WARMED_MS = 8_000;

/** Records on paper as a server just started sets them, the first time and after. */
export async function paperFromStart(folder: string): Promise<void> {
  const file = join(folder, "paper.db");
  const store = openStore(file);
  for (let i = 0; i < MOST_ON_PAPER; i++) signedEnd(store, "Wyn Harrow", 50);
  store.$client.close();
  const server = await startServer(file, await freePort());
  await new Promise((later) => setTimeout(later, WARMED_MS));
  for (let i = 0; i < 3; i++) await onPaper(server.url, "purpose=work");
  await server.kill();
}

/** As many records as go on paper at once, how long any other request waits meanwhile, and as long with nothing else done. */
export async function onPaper(url: string, query: string): Promise<void> {
  const trivial = async () => (await fetch(`${url}/api/v1/timers`)).arrayBuffer();
  const { waits, seconds } = await meanwhile(trivial, async () => {
    const answer = await fetch(`${url}/api/v1/ledger?format=pdf&${query}`);
    if (!answer.ok) throw new Error(await answer.text());
    await answer.arrayBuffer();
  });
  line("records on paper, as many as go", `${seconds.toFixed(1)} s`);
  line("  another request meanwhile", tell(waits));
  const single = await meanwhile(trivial, () => new Promise((done) => setTimeout(done, seconds * 1000)));
  line("  the same with nothing else done", tell(single.waits));
}
