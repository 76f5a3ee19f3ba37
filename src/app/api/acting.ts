import { z } from "zod";
import { check, zUuid } from "@/core";
import { t } from "@/messages/service";
import type { Act } from "@/service/act";
import { recordNow } from "@/service/clock";
import { theStore } from "@/service/the-store";
import { jsonBody } from "./answer";

/** Who is working at the device that asks, where that was said; beside whatever else is sent. */
const zBy = zUuid(t("a-persons-id-must-be-a-uuid")).nullable().default(null);

export const zActing = z.looseObject({ by: zBy });

/** What a request asks to be done: by whom, and its body without that. @throws InputError as `jsonBody`. */
export async function acting(
  request: Request,
): Promise<{ readonly act: Act; readonly input: Readonly<Record<string, unknown>> }> {
  const { by, ...input } = check(zActing, await jsonBody(request));
  return { act: actBy(by), input };
}

/** The same where what is sent is no JSON and the rest stands in the address. */
export function actingByAddress(request: Request) {
  const { by, ...input } = check(zActing, Object.fromEntries(new URL(request.url).searchParams));
  return { act: actBy(by), input };
}

function actBy(actor: string | null): Act {
  const store = theStore();
  return { store, actor, now: recordNow(store) };
}
