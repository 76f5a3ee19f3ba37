import { catalogue } from "./catalogue";
import english from "./en/words.json" with { type: "json" };

export const t = catalogue("words", english);
