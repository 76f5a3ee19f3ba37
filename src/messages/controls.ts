import { catalogue } from "./catalogue";
import english from "./en/controls.json" with { type: "json" };

export const t = catalogue("controls", english);
