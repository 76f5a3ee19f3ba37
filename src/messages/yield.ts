import { catalogue } from "./catalogue";
import english from "./en/yield.json" with { type: "json" };

export const t = catalogue("yield", english);
