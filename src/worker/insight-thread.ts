import "@/messages/speak";

import { parentPort } from "node:worker_threads";
import type { Insight } from "@/core";
import { insightOf } from "@/service/insight/insight";
import { lookingAt } from "@/service/keeping/open-to-look";
import type { InsightAsked } from "./insight-beside";
import { threadAnswer } from "./own-thread";

/** Answers from a record as it stands, opened to be looked at and closed again. */
const insightIn = ({ file, query }: InsightAsked): Insight =>
  lookingAt(file, (store) => insightOf(store, query));

parentPort?.on("message", async (request: InsightAsked & { readonly n: number }) => {
  parentPort?.postMessage(await threadAnswer(request.n, () => insightIn(request)));
});
