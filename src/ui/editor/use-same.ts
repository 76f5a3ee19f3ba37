import { useRef } from "react";

/** The value as it was before where it says the same: what takes it is not drawn again for nothing. */
export function useSame<T>(value: T): T {
  const ref = useRef({ value, text: "" });
  const text = JSON.stringify(value);
  if (text !== ref.current.text) ref.current = { value, text };
  return ref.current.value;
}
