"use client";

import useSWR, { type SWRConfiguration } from "swr";
import { type ApiKey, asError } from "@/core";
import { type Answered, call, type Loose, type Sent } from "./http";

/** Asks again at a steady pace, after a failure too: a server that is back is seen at the next turn. */
export const polling = (every: number): Pick<SWRConfiguration, "refreshInterval" | "onErrorRetry"> => ({
  refreshInterval: every,
  onErrorRetry: (_error, _key, _config, revalidate, { retryCount }) =>
    void setTimeout(() => revalidate({ retryCount }), every),
});

/**
 * What a route answers, asked for again every so many milliseconds while the page is looked at, and as it is looked at
 * again. Asked for by several parts of a page, it is asked once. Without an answer the last one stands.
 */
export function usePolled<K extends ApiKey>(
  key: K,
  sent: Sent<K> & Loose,
  { every, onAnswer }: { readonly every: number; readonly onAnswer?: (answer: Answered<K>) => void },
) {
  const { data = null, mutate } = useSWR(
    [key, sent],
    async () => {
      const answer = await call(key, sent);
      if (!answer.ok) throw asError(answer.problem);
      return answer.value;
    },
    { ...polling(every), keepPreviousData: true, ...(onAnswer ? { onSuccess: onAnswer } : {}) },
  );
  return { data, refresh: mutate };
}
