import "@/messages/speak";

import { parentPort } from "node:worker_threads";
import { insightOf } from "@/service/insight/insight";
import { openToLook } from "@/service/keeping/open-to-look";
import type { InsightAnswer, InsightAsked } from "./insight-beside";

/** Answers from a record as it stands, opened to be looked at and closed again. */
function answered({ n, file, query }: InsightAsked): InsightAnswer {
  try {
    const { store, close } = openToLook(file);
    try {
      return { n, insight: insightOf(store, query) };
    } finally {
      close();
    }
  } catch (error) {
    return { n, failed: String(error) };
  }
}

parentPort?.on("message", (request: InsightAsked) => parentPort?.postMessage(answered(request)));
