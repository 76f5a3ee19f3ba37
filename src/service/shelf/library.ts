import type { Store } from "@/store/database/store";
import { wholeLibrary } from "@/store/shelf/shelf";
import type { Library } from "@/store/shelf/shipped";

/** Everything on the shelf: what was shipped, with the user's own in place of it and beside it. */
export const library = (store: Store): Library => wholeLibrary(store);
export type { Library } from "@/store/shelf/shipped";

/** How every entry is prepared, whichever it is: what its procedures are made with. */
export { entrySheets } from "@/store/shelf/shipped";
