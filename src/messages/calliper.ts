import { catalogue } from "./catalogue";
import english from "./en/calliper.json" with { type: "json" };

export const t = catalogue("calliper", english);
