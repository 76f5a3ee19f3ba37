import { catalogue } from "./catalogue";
import english from "./en/figure.json" with { type: "json" };

export const t = catalogue("figure", english);
