import "@/messages/speak";

import { meterLine, simulatedPower } from "@/core";
import { t } from "@/messages/service";
import { runStandIn } from "./stand-in";

/** `meter [--count N] [--seed TEXT] [--bad] [--port P]`: a simulated source and meter; its first line is the reference. */
runStandIn({
  line: (number, draw) => meterLine(simulatedPower(1310, number > 1, [draw(), draw()])),
  bad: ["light 1310 nm", "light 1234 nm -20 dBm", "hello", "light 1310 nm bright dBm"],
  usage: t("takes-count-and-port"),
});
