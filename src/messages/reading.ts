import { catalogue } from "./catalogue";
import english from "./en/reading.json" with { type: "json" };

export const t = catalogue("reading", english);
