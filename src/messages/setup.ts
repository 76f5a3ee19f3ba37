import { catalogue } from "./catalogue";
import english from "./en/setup.json" with { type: "json" };

export const t = catalogue("setup", english);
