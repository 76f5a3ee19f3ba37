"use client";

import { type FormEvent, useRef, useState } from "react";

/**
 * Sending a form: once at a time, with the reason of a refusal until something is changed.
 * @param send sends it. @returns why it was refused; empty where it was taken.
 */
export function useSubmit(send: (form: HTMLFormElement) => Promise<string> | string) {
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const sending = useRef(false);
  const submit = async (event: FormEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    if (sending.current) return;
    sending.current = true;
    setBusy(true);
    try {
      setProblem(await send(event.currentTarget));
    } finally {
      sending.current = false;
      setBusy(false);
    }
  };
  return { problem, busy, submit, clear: () => setProblem("") };
}
