import { catalogue } from "./catalogue";
import english from "./en/band.json" with { type: "json" };

export const t = catalogue("band", english);
