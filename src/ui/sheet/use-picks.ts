"use client";

import { type Dispatch, type SetStateAction, useCallback, useEffect, useMemo, useState } from "react";
import { type Cable, resolveSheet, type SheetShelf } from "@/core";
import { usePrefs } from "../prefs/prefs-context";
import { type Hand, NOTHING, readSelection, type Selection, samePlace, writeSelection } from "./selection";
import { optionsNamed } from "./trade-words";
import { useFetched } from "./use-fetched";

/** A connector picked on a cable, with what was said of it. */
export interface PickedEnd {
  /** Null where only what goes on it was picked. */
  readonly cable: { readonly id: string } | null;
  readonly style: { readonly id: string };
  readonly choices: Readonly<Record<string, string>>;
}

type OpenList = "cable" | "style" | "as" | null;

/** Keeps the address bar and what is picked the same. */
function useAddress(selection: Selection, setSelection: Dispatch<SetStateAction<Selection>>): void {
  // Coming back by the browser, the address knows what was picked since the page was drawn.
  useEffect(() => {
    const here = readSelection(new URLSearchParams(window.location.search));
    // A place is drawn with what is in hand there: its address alone says less than is drawn.
    setSelection((drawn) =>
      writeSelection(here) === writeSelection(drawn) || (here.place && here.cable === null) ? drawn : here,
    );
  }, [setSelection]);
  useEffect(() => {
    const query = writeSelection(selection);
    // Once the router listens: an address written behind its back is one it cannot come back to.
    queueMicrotask(() => {
      if (window.location.pathname === "/" && window.location.search.slice(1) !== query)
        window.history.replaceState(null, "", query ? `/?${query}` : "/");
    });
  }, [selection]);
}

/** The shelf with what is in hand first, whatever else goes by its id. */
const withHand = (cables: readonly Cable[], hand: Cable): readonly Cable[] => [
  hand,
  ...cables.filter(({ id }) => id !== hand.id),
];

/** What is picked, what it comes to, and how it is picked. */
export function usePicks(shipped: SheetShelf, initial: Selection, hand: Hand | null) {
  const [selection, setSelection] = useState(initial);
  const { shelf: fetched, failed, again } = useFetched(shipped, selection.style);
  const inHand = hand && samePlace(hand.question, selection.place) ? hand : null;
  const shelf = useMemo(
    () => (inHand ? { ...fetched, cables: withHand(fetched.cables, inHand.cable) } : fetched),
    [fetched, inHand],
  );
  const [open, setOpen] = useState<OpenList>(null);
  const { prefs } = usePrefs();
  const resolved = useMemo(
    () => resolveSheet(shelf, selection, prefs.schools),
    [shelf, selection, prefs.schools],
  );
  useAddress(selection, setSelection);

  const toggle = (which: OpenList) => (isOpen: boolean) => setOpen(isOpen ? which : null);
  const pickCable = useCallback((cable: string) => {
    // Another cable is none of the piece's.
    setSelection((before) => ({
      ...before,
      cable,
      core: null,
      place: before.cable === cable ? before.place : null,
    }));
    setOpen(null);
  }, []);
  const pickCableByName = (cable: string) => {
    pickCable(cable);
    if (selection.style === null) setOpen("style");
  };
  const pickStyle = useCallback(
    (id: string, search: string | Readonly<Record<string, string>> = "") => {
      const style = shelf.styles.find((style) => style.id === id);
      const choices = typeof search !== "string" ? search : style ? optionsNamed(search, style) : {};
      setSelection((before) => ({ ...before, style: id, choices }));
      setOpen(null);
    },
    [shelf.styles],
  );
  const pickEnd = useCallback(({ cable, style, choices }: PickedEnd) => {
    setSelection({ ...NOTHING, cable: cable?.id ?? null, style: style.id, choices });
    window.scrollTo({ top: 0, behavior: "instant" });
  }, []);
  const pickCore = useCallback((core: string) => setSelection((before) => ({ ...before, core })), []);
  const pickChoice = (id: string, option: string) =>
    setSelection((before) => ({ ...before, choices: { ...before.choices, [id]: option } }));

  const clear = () => setSelection(NOTHING);
  return {
    selection,
    shelf,
    inHand,
    resolved,
    failed,
    again,
    open,
    setOpen,
    toggle,
    pickCable,
    pickCableByName,
    pickStyle,
    pickEnd,
    pickCore,
    pickChoice,
    clear,
  };
}

export type SheetPicks = ReturnType<typeof usePicks>;
