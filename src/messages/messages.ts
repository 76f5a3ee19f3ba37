import { catalogue } from "./catalogue";
import english from "./en/messages.json" with { type: "json" };

export const t = catalogue("messages", english);
