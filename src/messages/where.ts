import { catalogue } from "./catalogue";
import english from "./en/where.json" with { type: "json" };

export const t = catalogue("where", english);
