/** The shipped library as tests take it: tests of the core stand on its documents, not on the store that reads them. */
export { entrySheets, shippedLibrary, shippedWritten } from "../src/store/shelf/shipped";
