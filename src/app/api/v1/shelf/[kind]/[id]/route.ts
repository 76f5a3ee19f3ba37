import { z } from "zod";
import { check } from "@/core";
import { t } from "@/messages/service";
import { documentText } from "@/service/shelf/shelf";
import { theStore } from "@/service/the-store";
import { failure } from "../../../../answer";
import { kindOf } from "../../../../kind";

const zRevision = z.coerce.number(t("revision-must-be-a-whole-number")).int().min(1).optional();

/** A document as a file: as it stands on the shelf, or `?revision=` an earlier one. */
export async function GET(request: Request, { params }: { params: Promise<{ kind: string; id: string }> }) {
  try {
    const { kind, id } = await params;
    const revision = check(zRevision, new URL(request.url).searchParams.get("revision") ?? undefined);
    const text = documentText(theStore(), kindOf(kind), id, revision);
    const name = String(JSON.parse(text).id).replaceAll(/[^a-z0-9.-]/g, "");
    return new Response(text, {
      headers: {
        "content-type": "application/json; charset=utf-8",
        "content-disposition": `attachment; filename="${name}.json"`,
        "cache-control": "no-store",
      },
    });
  } catch (error) {
    return failure(error);
  }
}
