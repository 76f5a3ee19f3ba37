// Which database the demo filled: it leaves a mark in the file's header. Needs nothing but Node.
import { closeSync, openSync, readSync } from "node:fs";

/** “DEMO”, where SQLite keeps a number for whoever made the file (https://www.sqlite.org/fileformat.html, offset 60). */
export const DEMO_MARK = 0x44454d4f;
const AT = 60;

/** Whether the demo made a database, by its mark. */
export function isDemo(database) {
  const file = openSync(database, "r");
  try {
    const header = Buffer.alloc(AT + 4);
    return (
      readSync(file, header, 0, header.length, 0) === header.length && header.readUInt32BE(AT) === DEMO_MARK
    );
  } finally {
    closeSync(file);
  }
}
