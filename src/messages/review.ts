import { catalogue, sayings } from "./catalogue";
import english from "./en/review.json" with { type: "json" };

export const t = catalogue("review", english);
export const say = sayings("review", english);
