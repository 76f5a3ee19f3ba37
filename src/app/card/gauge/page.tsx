import type { Metadata } from "next";
import { t } from "@/messages/app";
import { gaugeOptions } from "@/service/shelf/gauge-options";
import { theStore } from "@/service/the-store";
import { GaugeView } from "@/ui/card/gauge-view";

export const metadata: Metadata = { title: t("gauge") };
export const dynamic = "force-dynamic";

export default function Page() {
  return <GaugeView options={gaugeOptions(theStore())} />;
}
