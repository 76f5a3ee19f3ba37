import { catalogue } from "./catalogue";
import english from "./en/jobs.json" with { type: "json" };

export const t = catalogue("jobs", english);
