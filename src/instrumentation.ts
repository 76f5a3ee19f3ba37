/** Called once when the server starts. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  await import("./messages/speak");
  (await import("@/service/keeping/begin-serving")).beginServing();
  if (process.env.ARLENT_LOAD === "late") return;
  const { warmPaper } = await import("@/worker/paper-beside");
  const { ledgerOfOne } = await import("@/service/ledger/ledger");
  const { theStore } = await import("./service/the-store");
  const { ownSession, SESSION_COOKIE } = await import("@/service/crew/crew");
  // Once the first requests have been answered: what paper is set with takes a second or two to load, and the first record.
  setTimeout(() => {
    warmPaper();
    try {
      const session = ownSession(process.env.ARLENT_CREW);
      askOnce(
        `/api/v1/ledger?format=pdf&${ledgerOfOne(theStore())}`,
        session ? { cookie: `${SESSION_COOKIE}=${session}` } : {},
      );
    } catch {
      // A record that cannot be read is shown to whoever asks for it.
    }
  }, WARM_MS).unref();
}

const WARM_MS = 3_000;

/** Asks this server for something; where it does not answer here, what was asked for is loaded when somebody does. */
const askOnce = (path: string, headers: Record<string, string>): void =>
  void fetch(`http://127.0.0.1:${process.env.PORT}${path}`, { headers })
    .then((answer) => answer.arrayBuffer())
    .catch(() => undefined);
