import type { Metadata } from "next";
import { t } from "@/messages/app";
import { endsToRead } from "@/service/end/ends-to-read";
import { theStore } from "@/service/the-store";
import { LightFile } from "@/ui/light-file/light-file";

export const metadata: Metadata = { title: t("readings-of-light") };
export const dynamic = "force-dynamic";

export default function Page() {
  return <LightFile ends={endsToRead(theStore())} />;
}
