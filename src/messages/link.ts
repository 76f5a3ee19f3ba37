import { catalogue } from "./catalogue";
import english from "./en/link.json" with { type: "json" };

export const t = catalogue("link", english);
