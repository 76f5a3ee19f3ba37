import { catalogue } from "./catalogue";
import english from "./en/piece-grid.json" with { type: "json" };

export const t = catalogue("piece-grid", english);
