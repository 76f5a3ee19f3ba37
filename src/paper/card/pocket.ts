import { CHECK_BAR, type RunSheet, stripMarks, stripWindows, um } from "@/core";
import { t } from "@/messages/paper";
import { asText } from "@/ui/words/length-text";
import { CARD_PAPERS, type CardRequest } from "./card-request";
import { text } from "./pens";
import { acrossBar, downBar, proofTitle } from "./proof";
import type { CardPage, CardShape } from "./shapes";
import { INSET, OVER, stripShapes } from "./strip-shapes";

type Pocket = Pick<CardRequest, "paper" | "day" | "printer">;

const MARGIN = 14;
/** Height of one strip with its title, millimetres. */
export const STRIP_ROW = 51;
const TITLE = 6;
/** Below the last strip: the bar across. */
const FOOT = 16;

/**
 * The procedures of a job on as few pages as they fit, one short strip each at true scale, with the proof of scale. Those whose
 * strip is longer than the page are named instead.
 */
export function pocketPages(all: readonly RunSheet[], request: Pocket): CardPage[] {
  const { width, height, roll } = CARD_PAPERS[request.paper];
  const across = roll ? 297 : width;
  const isShort = (sheet: RunSheet) => stripWindows(stripMarks(sheet), roomOf(across)).length === 1;
  const sheets = all.filter(isShort);
  const long = all.filter((sheet) => !isShort(sheet)).map(({ procedure }) => procedure.name);
  const rows = roll ? 1 : Math.max(1, Math.floor((height - MARGIN - FOOT) / STRIP_ROW));
  const pages = Array.from({ length: Math.ceil(sheets.length / rows) }, (_, i) =>
    sheets.slice(i * rows, (i + 1) * rows),
  );
  return pages.map((own) => {
    const tall = roll ? Math.max(height, STRIP_ROW + FOOT) : height;
    return {
      width: across,
      height: tall,
      shapes: [
        ...own.flatMap((sheet, i) => pocketStrip(sheet, across, 6 + i * STRIP_ROW)),
        ...acrossBar(MARGIN + 8, tall - 9),
        text(MARGIN + CHECK_BAR + 14, tall - 6, 3, proofTitle(request), { bold: true }),
        ...(long.length > 0
          ? [
              text(
                MARGIN + CHECK_BAR + 14,
                tall - 11,
                2.6,
                t("pocket-too-long", { names: long.join(", ").slice(0, 110) }),
              ),
            ]
          : []),
        text(across - MARGIN, tall - 6, 2.6, request.day, { anchor: "end" }),
        ...(roll ? [] : downBar(7, 60, CHECK_BAR)),
      ],
    };
  });
}

/** Longest strip across a page. */
const roomOf = (width: number) => um(Math.round((width - 2 * MARGIN - INSET - OVER) * 1_000));

function pocketStrip(sheet: RunSheet, width: number, top: number): CardShape[] {
  const marks = stripMarks(sheet);
  const windows = stripWindows(marks, roomOf(width));
  const [window] = windows;
  if (!window) return [];
  const length = (window.to - window.from) / 1_000;
  const frame = { x: MARGIN, y: top + TITLE, width: INSET + length + OVER, height: STRIP_ROW - TITLE - 3 };
  return [
    text(MARGIN, top + 4, 3.4, sheet.procedure.name, { bold: true }),
    text(MARGIN + 90, top + 4, 3, asText(sheet).slice(0, 100)),
    text(width - MARGIN, top + 4, 2.6, t("card-revision", { revision: sheet.procedure.revision }), {
      anchor: "end",
    }),
    ...stripShapes(sheet, { window, marks, number: 1, of: windows.length }, frame),
  ];
}
