import about from "../../package.json";

/** The program and its version, as it signs what it compiles and judges. */
export const PROGRAM = `${about.name} ${about.version}`;
