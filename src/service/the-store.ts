/** The application's database, for the surfaces above the services. */
export { openStore, theStore } from "@/store/database";
