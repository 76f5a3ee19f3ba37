import { catalogue } from "./catalogue";
import english from "./en/shelf.json" with { type: "json" };

export const t = catalogue("shelf", english);
