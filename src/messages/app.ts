import { catalogue } from "./catalogue";
import english from "./en/app.json" with { type: "json" };

export const t = catalogue("app", english);
