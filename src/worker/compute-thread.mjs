// Starts the computing thread where nothing is built: TypeScript is read by tsx.
import { register } from "tsx/esm/api";

register();
await import("./compute-thread.ts");
