import { catalogue } from "./catalogue";
import english from "./en/prefs.json" with { type: "json" };

export const t = catalogue("prefs", english);
