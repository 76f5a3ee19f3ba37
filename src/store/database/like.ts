/** What somebody typed, as it stands in a LIKE pattern: nothing in it is a wildcard. */
export const holding = (word: string): string => `%${word.replaceAll(/[\\%_]/g, "\\$&")}%`;
