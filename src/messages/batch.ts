import { catalogue } from "./catalogue";
import english from "./en/batch.json" with { type: "json" };

export const t = catalogue("batch", english);
