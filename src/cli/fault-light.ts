import "@/messages/speak";

import { simulatedGlow } from "@/core";
import { t } from "@/messages/service";
import { runStandIn } from "./stand-in";

/** `fault-light [--count N] [--seed TEXT] [--bad] [--port P]`: a simulated fault light; its first line is before the fibre is in. */
runStandIn({
  line: (number, draw) => simulatedGlow(number > 1, [draw(), draw()]),
  bad: ["glow", "glow 140 %", "hello", "glow red %"],
  usage: t("takes-count-and-port"),
});
