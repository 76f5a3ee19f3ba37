import { catalogue } from "./catalogue";
import english from "./en/ledger.json" with { type: "json" };

export const t = catalogue("ledger", english);
