import type { Metadata } from "next";
import { t } from "@/messages/app";
import { DeviceFeeder } from "@/ui/feeder/device-feeder";

export const metadata: Metadata = { title: t("feeder") };

export default function Page() {
  return <DeviceFeeder />;
}
