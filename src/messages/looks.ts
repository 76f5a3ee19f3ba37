import { catalogue } from "./catalogue";
import english from "./en/looks.json" with { type: "json" };

/** By code: every look that may be missing has one message. */
export const t = catalogue("looks", english);
