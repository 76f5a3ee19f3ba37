import { wholeLibrary } from "@/store/shelf";
import type { Library } from "@/store/shipped";
import type { Store } from "@/store/store";

/** Everything on the shelf: what was shipped, with the user's own in place of it and beside it. */
export const library = (store: Store): Library => wholeLibrary(store);
export type { Library } from "@/store/shipped";

/** How every entry is prepared, whichever it is: what its procedures are made with. */
export { entrySheets } from "@/store/shipped";
