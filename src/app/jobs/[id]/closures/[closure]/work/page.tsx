import type { Metadata } from "next";
import { t } from "@/messages/app";
import { WorkView } from "@/ui/closure-work/work-view";
import { closurePage } from "../closure-page";

export const metadata: Metadata = { title: t("work-at-closure") };
export const dynamic = "force-dynamic";

export default closurePage(WorkView);
