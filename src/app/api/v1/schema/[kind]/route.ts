import { jsonSchemas } from "@/core";
import { answer } from "../../../answer";
import { kindOf } from "../../../kind";

/** The published JSON Schema of a document, made from the schema that checks it. */
export async function GET(_request: Request, { params }: { params: Promise<{ kind: string }> }) {
  return answer(async () => jsonSchemas()[kindOf((await params).kind)]);
}
