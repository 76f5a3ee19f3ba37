// Starts the thread that answers from the record where nothing is built: TypeScript is read by tsx.
import { register } from "tsx/esm/api";

register();
await import("./insight-thread.ts");
