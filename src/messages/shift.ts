import { catalogue } from "./catalogue";
import english from "./en/shift.json" with { type: "json" };

export const t = catalogue("shift", english);
