import { catalogue } from "./catalogue";
import english from "./en/confirm.json" with { type: "json" };

export const t = catalogue("confirm", english);
