import { catalogue } from "./catalogue";
import english from "./en/crew.json" with { type: "json" };

export const t = catalogue("crew", english);
