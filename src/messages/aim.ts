import { catalogue } from "./catalogue";
import english from "./en/aim.json" with { type: "json" };

export const t = catalogue("aim", english);
