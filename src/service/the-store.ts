/** The application's database, for the surfaces above the services. */
export { theStore } from "@/store/database";
