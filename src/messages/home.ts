import { catalogue } from "./catalogue";
import english from "./en/home.json" with { type: "json" };

export const t = catalogue("home", english);
