import type { Metadata } from "next";
import { EnterKey } from "@/ui/enter/enter-key";

export const metadata: Metadata = { title: "Crew key" };
export const dynamic = "force-dynamic";

export default async function EnterPage({ searchParams }: { searchParams: Promise<{ to?: string }> }) {
  const { to = "/" } = await searchParams;
  // Only ever to a page of this server.
  return <EnterKey to={/^\/(?![/\\])/.test(to) ? to : "/"} />;
}
