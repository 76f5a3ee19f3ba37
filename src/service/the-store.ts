/** The application's database, for the surfaces above the services. */
export { databaseFile, openStore, theStore } from "@/store/database";
export type { Store } from "@/store/store";
