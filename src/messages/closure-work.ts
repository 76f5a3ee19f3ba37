import { catalogue } from "./catalogue";
import english from "./en/closure-work.json" with { type: "json" };

export const t = catalogue("closure-work", english);
