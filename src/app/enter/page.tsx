import type { Metadata } from "next";
import { t } from "@/messages/app";
import { EnterKey } from "@/ui/shell/enter-key";

export const metadata: Metadata = { title: t("crew-key") };
export const dynamic = "force-dynamic";

export default async function EnterPage({ searchParams }: { searchParams: Promise<{ to?: string }> }) {
  const { to = "/" } = await searchParams;
  // Only ever to a page of this server.
  return <EnterKey to={/^\/(?![/\\])/.test(to) ? to : "/"} />;
}
