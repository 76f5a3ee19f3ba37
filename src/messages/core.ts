import { catalogue, sayings } from "./catalogue";
import english from "./en/core.json" with { type: "json" };

export const t = catalogue("core", english);
export const say = sayings("core", english);
