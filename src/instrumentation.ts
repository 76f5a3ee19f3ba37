/** Called once when the server starts. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  (await import("./service/begin-serving")).beginServing();
  const { warmPaper } = await import("./ui/paper/paper-thread");
  // Once the first requests have been answered: what paper is set with takes a second or two to load.
  setTimeout(() => {
    warmPaper();
    askOnce(LEDGER_ON_PAPER);
  }, WARM_MS).unref();
}

const WARM_MS = 3_000;

/** A ledger of no end there is, on paper: its route is loaded while nobody waits for it. */
const LEDGER_ON_PAPER = "/api/v1/ledger?format=pdf&find=warm-before-anybody-asks";

/** Asks this server for something; where it does not answer here, what was asked for is loaded when somebody does. */
const askOnce = (path: string): void =>
  void fetch(`http://127.0.0.1:${process.env.PORT}${path}`)
    .then((answer) => answer.arrayBuffer())
    .catch(() => undefined);
