/** Called once when the server starts. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  (await import("./service/begin-serving")).beginServing();
  // Once the first requests have been answered: what paper is set with takes a second or two to load.
  const { warmPaper } = await import("./ui/paper/paper-thread");
  setTimeout(warmPaper, WARM_MS).unref();
}

const WARM_MS = 3_000;
