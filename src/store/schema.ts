/** Every table of the database: what is planned, what follows from the events, the record itself, the shelf and the tools. */
export * from "./schema/planned";
export * from "./schema/projected";
export * from "./schema/record";
export * from "./schema/workshop";
