import { catalogue } from "./catalogue";
import english from "./en/entry-editor.json" with { type: "json" };

export const t = catalogue("entry-editor", english);
