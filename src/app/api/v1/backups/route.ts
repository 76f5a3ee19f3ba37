import { zBackupsAnswer } from "@/core";
import { scheduled } from "@/service/keeping/schedule";
import { answerAs } from "../../answer";

/** How backups are made by themselves, and when the last one was. */
export const GET = () => answerAs(zBackupsAnswer, scheduled);
