import type { Metadata } from "next";
import { schoolsOf } from "@/core";
import { library } from "@/service/library";
import { studies } from "@/service/studies";
import { theStore } from "@/service/the-store";
import { SetupView } from "@/ui/setup/setup-view";

export const metadata: Metadata = { title: "Setup" };
export const dynamic = "force-dynamic";

export default function SetupPage() {
  const { instruments, procedures } = library(theStore());
  return (
    <SetupView instruments={instruments} schools={schoolsOf(procedures)} studies={studies(theStore())} />
  );
}
