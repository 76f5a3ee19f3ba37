import { z } from "zod";
import { check } from "@/core";
import { newEntries } from "@/service/ends";
import { theStore } from "@/service/the-store";
import { answer } from "../../../answer";

const zAfter = z.coerce.number("“after” is a whole number").int().min(0).default(0);

export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const after = check(zAfter, new URL(request.url).searchParams.get("after") ?? undefined);
    return { entries: newEntries(theStore(), (await params).id, after) };
  });
}
