import { catalogue } from "./catalogue";
import english from "./en/enter.json" with { type: "json" };

export const t = catalogue("enter", english);
