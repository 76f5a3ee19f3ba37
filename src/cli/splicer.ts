import "@/messages/speak";

import { simulatedSplice, splicerLine } from "@/core";
import { t } from "@/messages/service";
import { runStandIn } from "./stand-in";

/** `splicer [--count N] [--seed TEXT] [--bad] [--port P]`: a simulated splicer. */
runStandIn({
  line: (number, draw) => splicerLine(simulatedSplice(number, [draw(), draw(), draw()])),
  bad: [
    "splice 7 left 0.4",
    "splice x left 0.4 right 0.9 estimate 0.03",
    "hello",
    "splice 9 left 0.4 right 0.9 estimate -1",
  ],
  usage: t("takes-count-and-port"),
});
