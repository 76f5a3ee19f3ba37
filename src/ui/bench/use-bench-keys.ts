"use client";

import { useEffect } from "react";
import { useHotkeys } from "react-hotkeys-hook";

interface BenchKeys {
  readonly enabled: boolean;
  readonly next: () => void;
  readonly back: () => void;
  readonly units: () => void;
  readonly undo: () => void;
  readonly aloud: () => void;
}

/** Whether a key belongs to the field being typed in: anything but paging, once something is typed. */
const typing = ({ target }: KeyboardEvent): boolean =>
  target instanceof HTMLInputElement && target.value !== "";

/** A plain key in a list, a button or an open dialogue keeps its own meaning. */
const taken = ({ target }: KeyboardEvent): boolean =>
  target instanceof Element &&
  (target.closest("[role=dialog],[role=listbox]") !== null ||
    (target instanceof HTMLButtonElement && target.type !== "submit") ||
    (target instanceof HTMLInputElement && target.id !== "reading"));

/** A button touched or clicked keeps no hold of the keys: Space goes on with the step. One reached by Tab does. */
function letGoOfClicked({ target, detail }: MouseEvent): void {
  if (detail === 0 || !(target instanceof Element)) return;
  const button = target.closest<HTMLButtonElement>("main button:not([aria-haspopup])");
  if (button && button === document.activeElement) button.blur();
}

/** Space, arrows and a page-turning pedal move; U changes units; Z strikes out the last reading; R reads aloud. */
export function useBenchKeys({ enabled, next, back, units, undo, aloud }: BenchKeys): void {
  useEffect(() => {
    document.addEventListener("click", letGoOfClicked);
    return () => document.removeEventListener("click", letGoOfClicked);
  }, []);
  const everywhere = { enabled, enableOnFormTags: true, preventDefault: true } as const;
  useHotkeys("pagedown", next, everywhere);
  useHotkeys("pageup", back, everywhere);
  useHotkeys("space, right", next, {
    ...everywhere,
    ignoreEventWhen: (event) => typing(event) || (event.key === " " && taken(event)),
  });
  useHotkeys("left", back, { ...everywhere, ignoreEventWhen: typing });
  useHotkeys("u", units, { enabled });
  useHotkeys("r", aloud, { enabled });
  useHotkeys("z, ctrl+z, meta+z", undo, {
    ...everywhere,
    ignoreEventWhen: (event) =>
      typing(event) || (event.key.toLowerCase() === "z" && !event.ctrlKey && !event.metaKey && taken(event)),
  });
}
