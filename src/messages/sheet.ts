import { catalogue } from "./catalogue";
import english from "./en/sheet.json" with { type: "json" };

export const t = catalogue("sheet", english);
