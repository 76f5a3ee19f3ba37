import { catalogue } from "./catalogue";
import english from "./en/feeder.json" with { type: "json" };

export const t = catalogue("feeder", english);
