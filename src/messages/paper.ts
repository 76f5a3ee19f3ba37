import { catalogue } from "./catalogue";
import english from "./en/paper.json" with { type: "json" };

export const t = catalogue("paper", english);
