import { InputError } from "@/core";
import { confirmFigures } from "@/service/shelf";
import { theStore } from "@/service/the-store";
import { answer, jsonBody } from "../../../../../answer";
import { kindOf } from "../../../../../kind";

/** Figures of a procedure were held against the part's sheet. */
export async function POST(request: Request, { params }: { params: Promise<{ kind: string; id: string }> }) {
  return answer(async () => {
    const { kind, id } = await params;
    if (kindOf(kind) !== "procedure")
      throw new InputError("not-found", "Only a procedure has figures to confirm.");
    return confirmFigures(theStore(), id, await jsonBody(request));
  }, 201);
}
