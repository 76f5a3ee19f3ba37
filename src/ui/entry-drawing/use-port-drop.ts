"use client";

import { type CSSProperties, type PointerEvent, useState } from "react";

/** What makes something on the page one that can be dragged onto a port. */
export interface PortGrip {
  readonly onPointerDown: (event: PointerEvent<Element>) => void;
  readonly onPointerUp: (event: PointerEvent<Element>) => void;
  readonly onPointerCancel: () => void;
  readonly style: CSSProperties;
}

/** Cables dragged onto ports, by hand, pen or mouse: let go anywhere else, nothing happens. */
export function usePortDrop(onDrop: (cable: string, port: string) => void) {
  const [dragged, setDragged] = useState<string | null>(null);
  const gripOf = (cable: string): PortGrip => ({
    onPointerDown: (event) => {
      if (event.button !== 0) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      setDragged(cable);
    },
    onPointerUp: ({ clientX, clientY }) => {
      setDragged(null);
      const port = document
        .elementFromPoint(clientX, clientY)
        ?.closest("[data-port]")
        ?.getAttribute("data-port");
      if (port) onDrop(cable, port);
    },
    onPointerCancel: () => setDragged(null),
    style: { touchAction: "none", cursor: dragged === cable ? "grabbing" : "grab" },
  });
  return { dragged, gripOf };
}
