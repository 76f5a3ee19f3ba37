import { catalogue } from "./catalogue";
import english from "./en/http.json" with { type: "json" };

export const t = catalogue("http", english);
