/** Every table of the database: what is planned, what follows from the events, the record itself, the shelf and the tools. */
export * from "./planned";
export * from "./projected";
export * from "./record";
export * from "./workshop";
