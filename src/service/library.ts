import type { Store } from "@/store/database";
import { wholeLibrary } from "@/store/shelf";
import type { Library } from "@/store/shipped";

/** Everything on the shelf: what was shipped, with the user's own in place of it and beside it. */
export const library = (store: Store): Library => wholeLibrary(store);
export type { Library } from "@/store/shipped";
