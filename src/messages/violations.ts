import { catalogue } from "./catalogue";
import english from "./en/violations.json" with { type: "json" };

/** By code: every violation of a sheet has one message. */
export const t = catalogue("violations", english);
