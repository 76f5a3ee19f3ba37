import { catalogue } from "./catalogue";
import english from "./en/cut-list.json" with { type: "json" };

export const t = catalogue("cut-list", english);
