import type { Metadata } from "next";
import { cookies, headers } from "next/headers";
import { t } from "@/messages/app";
import { crewTold } from "@/service/crew/rules";
import { identityOf } from "@/service/crew/session";
import { theStore } from "@/service/the-store";
import { CrewView } from "@/ui/crew/crew-view";

export const metadata: Metadata = { title: t("crew") };
export const dynamic = "force-dynamic";

export default async function CrewPage() {
  const store = theStore();
  const [saved, sent] = [await cookies(), await headers()];
  const identity = identityOf(store, {
    cookie: (name) => saved.get(name)?.value,
    authorization: sent.get("authorization"),
  });
  return <CrewView initial={crewTold(store, identity)} />;
}
