/** Files looked at without being written to, for the command line. */
export { openToLook } from "@/store/opening/read-only";
