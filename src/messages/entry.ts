import { catalogue } from "./catalogue";
import english from "./en/entry.json" with { type: "json" };

export const t = catalogue("entry", english);
