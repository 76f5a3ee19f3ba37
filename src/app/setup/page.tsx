import type { Metadata } from "next";
import { library } from "@/service/library";
import { theStore } from "@/service/the-store";
import { SetupView } from "@/ui/setup/setup-view";

export const metadata: Metadata = { title: "Setup" };

export default function SetupPage() {
  return <SetupView instruments={library(theStore()).instruments} />;
}
