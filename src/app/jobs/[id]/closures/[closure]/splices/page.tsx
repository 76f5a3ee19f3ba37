import type { Metadata } from "next";
import { t } from "@/messages/app";
import { SplicePlanView } from "@/ui/splicing/splice-plan-view";
import { closurePage } from "../closure-page";

export const metadata: Metadata = { title: t("splice-plan") };
export const dynamic = "force-dynamic";

export default closurePage(SplicePlanView);
