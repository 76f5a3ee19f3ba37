import type { Metadata } from "next";
import { schoolsOf } from "@/core";
import { t } from "@/messages/app";
import { clockAhead } from "@/service/clock";
import { library } from "@/service/shelf/library";
import { theStore } from "@/service/the-store";
import { listStudies } from "@/service/workshop/studies";
import { SetupView } from "@/ui/setup/setup-view";

export const metadata: Metadata = { title: t("setup") };
export const dynamic = "force-dynamic";

export default function SetupPage() {
  const store = theStore();
  const { instruments, procedures } = library(store);
  return (
    <SetupView
      instruments={instruments}
      schools={schoolsOf(procedures)}
      studies={listStudies(store)}
      clockAhead={clockAhead(store)}
    />
  );
}
