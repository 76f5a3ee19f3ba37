import type { Metadata } from "next";
import { t } from "@/messages/app";
import { ownAddress } from "@/service/crew/own-address";
import { EnterKey } from "@/ui/shell/enter-key";

export const metadata: Metadata = { title: t("crew-key") };
export const dynamic = "force-dynamic";

export default async function EnterPage({ searchParams }: { searchParams: Promise<{ to?: string }> }) {
  const { to = "/" } = await searchParams;
  return <EnterKey to={ownAddress(to)} />;
}
