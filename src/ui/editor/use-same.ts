import { useRef } from "react";

/** The value as it was before where it says the same: what takes it is not drawn anew for nothing. */
export function useSame<T>(value: T): T {
  const kept = useRef({ value, text: "" });
  const text = JSON.stringify(value);
  if (text !== kept.current.text) kept.current = { value, text };
  return kept.current.value;
}
