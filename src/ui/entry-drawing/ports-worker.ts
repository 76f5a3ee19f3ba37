import "@/messages/core-texts";
import { setLanguage } from "@/messages/language";
import { type PortsQuestion, portsAnswer } from "./ports-answer";

/** Finds ports beside the page: a question is a message, and so is its answer. */
self.onmessage = ({ data }: MessageEvent<PortsQuestion>) => {
  setLanguage(data.language);
  self.postMessage(portsAnswer(data));
};
