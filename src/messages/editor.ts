import { catalogue } from "./catalogue";
import english from "./en/editor.json" with { type: "json" };

export const t = catalogue("editor", english);
