import { catalogue, sayings } from "./catalogue";
import english from "./en/service.json" with { type: "json" };

export const t = catalogue("service", english);
export const say = sayings("service", english);
