import { catalogue } from "./catalogue";
import english from "./en/practice.json" with { type: "json" };

export const t = catalogue("practice", english);
