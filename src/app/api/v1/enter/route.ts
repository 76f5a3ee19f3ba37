import { zEnteredAnswer } from "@/core";
import { letDeviceIn, SESSION_COOKIE, SESSION_SECONDS } from "@/service/crew/crew";
import { answerAs, jsonBody } from "../../answer";

/**
 * Lets a device in by the crew's key: `{key}`. Its session is kept in a cookie no page can read; it comes with a link
 * followed from elsewhere (a traveller's code, a message), and with nothing another site sends.
 */
export async function POST(request: Request): Promise<Response> {
  let session = "";
  const answer = await answerAs(zEnteredAnswer, async () => {
    session = await letDeviceIn(process.env.ARLENT_CREW, await jsonBody(request));
    return { entered: true };
  });
  if (session === "") return answer;
  const secure = request.headers.get("x-forwarded-proto") === "https" ? "; Secure" : "";
  answer.headers.append(
    "set-cookie",
    `${SESSION_COOKIE}=${session}; Path=/; HttpOnly; SameSite=Lax; Max-Age=${SESSION_SECONDS}${secure}`,
  );
  return answer;
}
