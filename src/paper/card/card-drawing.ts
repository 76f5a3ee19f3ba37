import { InputError } from "@/core";
import { say } from "@/messages/service";
import { cardDxf } from "./card-dxf";
import { cardSvg } from "./card-svg";
import type { CardPage } from "./shapes";

/** @throws InputError `not-found` where there are no pages. */
export function mustHavePages(pages: readonly CardPage[]): readonly CardPage[] {
  if (pages.length === 0) throw new InputError("not-found", say("nothing-to-print-for-this-job"));
  return pages;
}

/**
 * A page as a drawing in millimetres.
 * @param at its number, from 1. @throws InputError `not-found` for a page there is none of.
 */
export function cardDrawing(pages: readonly CardPage[], format: "svg" | "dxf", at: number): string {
  const page = mustHavePages(pages)[at - 1];
  if (!page)
    throw new InputError("not-found", say("this-card-has-so-many-pages", { pages: pages.length, page: at }), [
      "page",
    ]);
  return format === "svg" ? cardSvg(page) : cardDxf(page);
}
