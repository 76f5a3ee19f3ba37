import { catalogue } from "./catalogue";
import english from "./en/light.json" with { type: "json" };

export const t = catalogue("light", english);
