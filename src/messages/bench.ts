import { catalogue } from "./catalogue";
import english from "./en/bench.json" with { type: "json" };

export const t = catalogue("bench", english);
