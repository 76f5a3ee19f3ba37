import type { Metadata } from "next";
import { t } from "@/messages/app";
import { recordNow } from "@/service/clock";
import { toolStandings } from "@/service/end/tool-standings";
import { library } from "@/service/shelf/library";
import { theStore } from "@/service/the-store";
import { lotsInUse } from "@/service/workshop/lots";
import { shippedInstruments } from "@/service/workshop/studies";
import { ShiftView } from "@/ui/shift/shift-view";

export const metadata: Metadata = { title: t("check-the-tools") };
export const dynamic = "force-dynamic";

export default function Page() {
  const store = theStore();
  return (
    <ShiftView
      tools={toolStandings(store, recordNow(store))}
      instruments={shippedInstruments()}
      lots={lotsInUse(store)}
      styles={library(store).procedures.map(({ id, name }) => ({ id, name }))}
    />
  );
}
