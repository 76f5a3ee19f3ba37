import { catalogue } from "./catalogue";
import english from "./en/light-file.json" with { type: "json" };

export const t = catalogue("light-file", english);
