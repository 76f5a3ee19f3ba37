import { catalogue } from "./catalogue";
import english from "./en/splicing.json" with { type: "json" };

export const t = catalogue("splicing", english);
