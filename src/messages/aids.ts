import { catalogue } from "./catalogue";
import english from "./en/aids.json" with { type: "json" };

export const t = catalogue("aids", english);
