import { catalogue } from "./catalogue";
import english from "./en/timers.json" with { type: "json" };

export const t = catalogue("timers", english);
