import { catalogue } from "./catalogue";
import english from "./en/photos.json" with { type: "json" };

export const t = catalogue("photos", english);
