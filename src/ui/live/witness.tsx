"use client";

import { useEffect } from "react";
import { call } from "../http/http";
import { holdSeal } from "./seals-held";

const EVERY_MS = 3_600_000;
/** What a page itself asks for comes first. */
const FIRST_MS = 10_000;

/** Makes the device a witness: it holds the server's newest seals, which the record is held against later. */
export function Witness(): null {
  useEffect(() => {
    const ask = async () => {
      const answer = await call("get /seal/latest", {});
      if (answer.ok && answer.value.seal !== null) holdSeal(window.localStorage, answer.value.seal);
    };
    const first = window.setTimeout(ask, FIRST_MS);
    const next = window.setInterval(ask, EVERY_MS);
    return () => {
      window.clearTimeout(first);
      window.clearInterval(next);
    };
  }, []);
  return null;
}
