/** Every table of the database, by what it holds. */
export * from "./schema/planned";
export * from "./schema/projected";
export * from "./schema/record";
export * from "./schema/shop";
