import { parseLength, toMm } from "@/core";

export function signed(typed: string): number | string {
  const sign = /^\s*[-−]/.test(typed) ? -1 : 1;
  const read = parseLength(typed.replace(/^\s*[-−]/, ""), { unit: "mm" });
  return read.ok ? sign * toMm(read.value.length) : read.problem.message;
}
