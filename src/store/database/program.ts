import about from "../../../package.json" with { type: "json" };

/** The program and its version, as it signs what it compiles and judges. */
export const PROGRAM = `${about.name} ${about.version}`;
