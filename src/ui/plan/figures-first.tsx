"use client";

import { ConfirmPanel } from "../confirm/confirm-panel";
import type { AskedFirst } from "./use-begin";

/** Asks about figures nobody has checked yet before what is planned goes to the bench. */
export const FiguresFirst = ({ asking }: { asking: AskedFirst | null }) =>
  asking && (
    <ConfirmPanel
      procedure={asking.ahead.procedure}
      cable={asking.ahead.cable}
      core={asking.ahead.core}
      choices={asking.ahead.choices}
      place={asking.place}
      onClose={asking.leave}
      onKept={asking.goOn}
      onLater={asking.goOn}
    />
  );
