/** Called once when the server starts. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME === "nodejs") (await import("./service/begin-serving")).beginServing();
}
