import { theStore } from "@/service/the-store";
import { blades } from "@/service/tools";
import { answer } from "../../answer";

/** Every tool with a blade, and what is due. */
export async function GET() {
  return answer(() => blades(theStore()));
}
