import { randomUUID } from "node:crypto";
import { connect } from "node:net";
import { line, quantile } from "./measure";

const CLIENTS = 50;
const SECONDS = 15;
/** How often somebody new comes, milliseconds. */
const NEWCOMER_MS = 200;
const SETTLED_MS = 10_000;

/** One client that writes on an end, waits for the answer and writes again. @returns how long each took, milliseconds. */
async function writing(url: string, end: string, client: number, until: number): Promise<number[]> {
  const times: number[] = [];
  for (let n = 0; performance.now() < until; n++) {
    const start = performance.now();
    const answer = await fetch(`${url}/api/v1/ends/${end}/events`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({
        client: `client ${client}`,
        after: 99_999_999,
        events: [{ id: randomUUID(), event: { kind: "label", job: `Pad ${client}`, label: `${n % 7}` } }],
      }),
    });
    await answer.arrayBuffer();
    // An end that holds all it may is full: the next one is taken.
    if (answer.status === 429 || answer.status === 422) break;
    times.push(performance.now() - start);
  }
  return times;
}

/** How long a device that was not connected before waits for its first answer, milliseconds. */
const newcomer = (url: string): Promise<number> =>
  new Promise((answer, failed) => {
    const { hostname, port } = new URL(url);
    const start = performance.now();
    const socket = connect(Number(port), hostname, () =>
      socket.write(`GET /api/v1/timers HTTP/1.1\r\nhost: ${hostname}:${port}\r\nconnection: close\r\n\r\n`),
    );
    socket.once("data", () => {
      answer(performance.now() - start);
      socket.destroy();
    });
    socket.once("error", failed);
  });

/** Fifty clients that write on one end at once, and what somebody who comes meanwhile waits. */
export async function underLoad(url: string, end: string): Promise<void> {
  // What a server loads in its first seconds is measured elsewhere.
  await new Promise((later) => setTimeout(later, SETTLED_MS));
  const until = performance.now() + SECONDS * 1000;
  const all = Promise.all(Array.from({ length: CLIENTS }, (_, client) => writing(url, end, client, until)));
  const waits: number[] = [];
  while (performance.now() < until) {
    waits.push(await newcomer(url));
    await new Promise((later) => setTimeout(later, NEWCOMER_MS));
  }
  const times = (await all).flat();
  const of = (values: readonly number[], share: number) => quantile(values, share).toFixed(0);
  line(
    `${CLIENTS} clients writing on one end`,
    `${(times.length / SECONDS).toFixed(0)} a second; p50 ${of(times, 0.5)} ms, p99 ${of(times, 0.99)} ms`,
  );
  line("  somebody who comes meanwhile", `p50 ${of(waits, 0.5)} ms, longest ${of(waits, 1)} ms`);
}
