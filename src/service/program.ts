/** The program and its version, for the surfaces above the services. */
export { PROGRAM } from "@/store/database/program";
