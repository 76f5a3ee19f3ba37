import { zPulseAnswer } from "@/core";
import { pulse } from "@/service/pulse";
import { theStore } from "@/service/the-store";
import { answerAs } from "../../answer";

/** How far the record has come: a page that shows several ends asks for itself again when it moved. */
export const GET = () => answerAs(zPulseAnswer, () => pulse(theStore()));
