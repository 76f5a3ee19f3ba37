import { catalogue } from "./catalogue";
import english from "./en/live.json" with { type: "json" };

export const t = catalogue("live", english);
