import type { Metadata } from "next";
import { t } from "@/messages/app";
import { FeederView } from "@/ui/feeder/feeder-view";

export const metadata: Metadata = { title: t("feeder") };

export default function Page() {
  return <FeederView />;
}
