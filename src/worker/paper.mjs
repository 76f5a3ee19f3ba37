// Starts the paper thread: TypeScript is read by tsx, as the command line's is.
import { register } from "tsx/esm/api";

register();
await import("./paper.ts");
