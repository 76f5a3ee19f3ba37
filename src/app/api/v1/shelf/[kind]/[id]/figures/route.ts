import { InputError } from "@/core";
import { say } from "@/messages/service";
import { confirmFigures } from "@/service/shelf/shelf";
import { acting } from "../../../../../acting";
import { answer } from "../../../../../answer";
import { kindOf } from "../../../../../kind";

/** Figures of a procedure were held against the part's sheet. */
export async function POST(request: Request, { params }: { params: Promise<{ kind: string; id: string }> }) {
  return answer(async () => {
    const { kind, id } = await params;
    if (kindOf(kind) !== "procedure")
      throw new InputError("not-found", say("figures-can-be-confirmed-for-procedures-only"));
    const { act, input } = await acting(request);
    return confirmFigures(act, id, input);
  }, 201);
}
