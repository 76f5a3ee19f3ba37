import { zBladesAnswer } from "@/core";
import { theStore } from "@/service/the-store";
import { blades } from "@/service/workshop/tools";
import { answerAs } from "../../answer";

/** Every tool with a blade, and what is due. */
export const GET = () => answerAs(zBladesAnswer, () => blades(theStore()));
