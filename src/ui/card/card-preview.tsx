"use client";

import { useEffect, useState } from "react";
import { t } from "@/messages/card";
import { useWidth } from "../band/use-width";
import { Button } from "../controls/button";

interface CardPreviewProps {
  /** Where the drawing of the page is. */
  readonly address: string;
  readonly page: number;
  /** Null until the first drawing has come. */
  readonly pages: number | null;
  readonly onPage: (page: number) => void;
  readonly onPages: (pages: number) => void;
}

/** Pixels in a millimetre as a browser counts them: 96 to an inch (CSS Values and Units). */
const PX_PER_MM = 96 / 25.4;

/** A page as drawn, and its size on paper. */
interface Drawing {
  readonly address: string;
  readonly url: string;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** Millimetres of the first width or height in an SVG, those of the page; null if there are none. */
const sizeIn = (svg: string, side: "width" | "height"): number | null => {
  const size = new RegExp(`${side}="([\\d.]+)mm"`).exec(svg)?.[1];
  return size === undefined ? null : Number(size);
};

/** The page as it will be printed, with how much of its true size it is shown at. */
export function CardPreview({ address, page, pages, onPage, onPages }: CardPreviewProps) {
  const { ref, width } = useWidth<HTMLElement>(900);
  const [problem, setProblem] = useState("");
  const [drawing, setDrawing] = useState<Drawing | null>(null);
  useEffect(() => {
    const stopped = new AbortController();
    const load = async () => {
      const answer = await fetch(address, { signal: stopped.signal });
      const text = await answer.text();
      if (!answer.ok) return setProblem(t("the-card-cannot-be-drawn"));
      setProblem("");
      onPages(Number(answer.headers.get("x-card-pages") ?? 1));
      setDrawing({
        address,
        url: `data:image/svg+xml,${encodeURIComponent(text)}`,
        widthMm: sizeIn(text, "width") ?? 297,
        heightMm: sizeIn(text, "height") ?? 210,
      });
    };
    load().catch(() => {
      if (!stopped.signal.aborted) setProblem(t("the-server-does-not-answer"));
    });
    return () => stopped.abort();
  }, [address, onPages]);
  const isDrawing = problem === "" && drawing?.address !== address;
  const percent = drawing ? Math.round((width / (drawing.widthMm * PX_PER_MM)) * 100) : null;
  return (
    <figure ref={ref} className="min-w-0">
      {problem && (
        <p role="alert" className="rounded-md border-2 border-out px-3 py-2">
          {problem}
        </p>
      )}
      {!drawing && isDrawing && (
        <div className="aspect-[297/210] w-full border border-line border-dashed" aria-hidden="true" />
      )}
      {drawing && (
        // biome-ignore lint/performance/noImgElement: a drawing of its own, as it is
        <img
          src={drawing.url}
          alt={t("the-card-as-printed")}
          // Its place is taken before it is decoded: the buttons below do not move away from a press.
          style={{ aspectRatio: drawing.widthMm / drawing.heightMm }}
          className="w-full border border-line bg-white shadow-lg"
        />
      )}
      <figcaption className="mt-1 flex flex-wrap items-center gap-3 text-soft text-sm">
        {pages !== null && pages > 1 && (
          <span className="flex items-center gap-2">
            <Button size="small" disabled={page <= 1} onClick={() => onPage(page - 1)}>
              {t("page-before")}
            </Button>
            <span>{t("page-of", { page, pages })}</span>
            <Button size="small" disabled={page >= pages} onClick={() => onPage(page + 1)}>
              {t("next-page")}
            </Button>
          </span>
        )}
        <span role="status" className="empty:hidden">
          {isDrawing && t("drawing-the-page")}
        </span>
        {percent !== null && !isDrawing && t("here-at-percent", { percent })}
      </figcaption>
    </figure>
  );
}
