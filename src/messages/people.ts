import { catalogue } from "./catalogue";
import english from "./en/people.json" with { type: "json" };

export const t = catalogue("people", english);
