"use client";

import { t } from "@/messages/home";
import { ScaledEnd } from "../band/scaled-end";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { usePrefs } from "../prefs/prefs-context";
import { LocalTime } from "../words/local-time";
import type { LastShown } from "./home-shown";

const WIDTH = 280;
const HEIGHT = 96;
const LEFT = 16;

/** The end that was worked on last: where it stands, the figure its step is worked to, the way back to it. */
export function LastInHand({ last }: { last: LastShown }) {
  const { prefs } = usePrefs();
  const { step, drawing, place } = last;
  const words = last.figure[prefs.units];
  const longest = Math.max(30, ...drawing.marks.map(({ at }) => at / 1000), (place ?? 0) / 1000);
  const pxPerMm = (WIDTH - LEFT - 56) / Math.min(longest, 160);
  const x = place === null ? null : LEFT + (place / 1000) * pxPerMm;
  return (
    <section aria-labelledby="last" className="min-w-0 px-4 py-5 sm:px-12">
      <p className="text-soft">
        <strong>{t("last-in-hand")}</strong> <LocalTime iso={last.at} />
      </p>
      <h2 id="last" className="truncate font-bold text-xl">
        {last.name || `${last.style} on ${last.cable}`}
      </h2>
      <p className="truncate text-soft">
        {t("step-of", { style: last.style, number: step.number, of: step.of })}
      </p>
      <div className="mt-2 flex flex-wrap items-center gap-x-6 gap-y-2">
        <svg
          width={WIDTH}
          height={HEIGHT}
          viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
          aria-hidden="true"
          className="max-w-full"
        >
          <g transform="translate(0, 28)">
            <ScaledEnd
              end={drawing}
              pxPerMm={pxPerMm}
              times={2}
              left={LEFT}
              width={WIDTH}
              height={HEIGHT - 28}
            />
          </g>
          {x !== null && x < WIDTH && (
            <>
              <line x1={x} x2={x} y1={12} y2={HEIGHT - 10} stroke="var(--now)" strokeWidth={2.5} />
              <circle cx={x} cy={12} r={6} fill="var(--now)" />
            </>
          )}
        </svg>
        <p className="min-w-0">
          <span className="block text-soft">{step.title}</span>
          {words && (
            <>
              <span className="figures whitespace-nowrap font-bold text-5xl leading-none">
                {words.shown.main}
              </span>{" "}
              <span className="text-xl">{words.shown.unit}</span>
              <span className="block text-soft">{t("from-the", { datum: words.datum })}</span>
            </>
          )}
        </p>
        <Button look="strong" size="large" asChild className="ml-auto">
          <Link href={last.href} aria-keyshortcuts="G">
            <span className="grid text-center leading-tight">
              {t("go-on")} <span className="font-normal text-sm">G</span>
            </span>
          </Link>
        </Button>
      </div>
    </section>
  );
}
