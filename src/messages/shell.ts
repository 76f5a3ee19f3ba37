import { catalogue } from "./catalogue";
import english from "./en/shell.json" with { type: "json" };

export const t = catalogue("shell", english);
