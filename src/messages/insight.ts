import { catalogue } from "./catalogue";
import english from "./en/insight.json" with { type: "json" };

export const t = catalogue("insight", english);
