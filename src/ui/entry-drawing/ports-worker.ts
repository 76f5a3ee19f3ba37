import "@/messages/core-texts";
import { setLanguage } from "@/messages/language";
import { type PlacingQuestion, placingAnswer } from "./ports-answer";

/** Finds ports beside the page: a question is a message, and so is its answer. */
self.onmessage = ({ data }: MessageEvent<PlacingQuestion>) => {
  setLanguage(data.language);
  self.postMessage(placingAnswer(data));
};
