import { line, spread, timed } from "./measure";

/** The whole ledger as files, and how long any other request waits meanwhile. */
export async function exporting(url: string): Promise<void> {
  for (const format of ["json", "csv"] as const) {
    let bytes = 0;
    let done = false;
    const waits: number[] = [];
    const asking = (async () => {
      while (!done) {
        const start = performance.now();
        await (await fetch(`${url}/api/v1/timers`)).arrayBuffer();
        waits.push(performance.now() - start);
      }
    })();
    const seconds = await timed(async () => {
      const answer = await fetch(`${url}/api/v1/ledger?format=${format}`);
      for await (const chunk of answer.body ?? []) bytes += chunk.length;
    });
    done = true;
    await asking;
    line(`ledger as ${format}`, `${(bytes / 1e6).toFixed(1)} MB in ${seconds.toFixed(1)} s`);
    line("  another request meanwhile", `${spread(waits)}, at most ${Math.max(...waits).toFixed(0)} ms`);
  }
}
