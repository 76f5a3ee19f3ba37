import { catalogue } from "./catalogue";
import english from "./en/card.json" with { type: "json" };

export const t = catalogue("card", english);
