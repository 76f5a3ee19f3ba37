import { type Library, shippedLibrary } from "@/store/shipped";

/** Everything on the shelf. */
export const library = (): Library => shippedLibrary();
