import { catalogue } from "./catalogue";
import english from "./en/advice.json" with { type: "json" };

export const t = catalogue("advice", english);
