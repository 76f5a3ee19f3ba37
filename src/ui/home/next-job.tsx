"use client";

import { t } from "@/messages/home";
import { Textures } from "../band/textures";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { PieceBand } from "../piece-band/piece-band";
import { ProgressLine } from "../plan/standing";
import type { HomeShown } from "./home-shown";

const TEXTURES = "next-job";

/** The newest job with something to do: how far it is, the piece to go on with, the way there. */
export function NextJob({ next }: { next: NonNullable<HomeShown["next"]> }) {
  const { piece, cable } = next;
  return (
    <section aria-labelledby="next" className="min-w-0 border-line px-4 py-5 sm:px-12 lg:border-l lg:px-8">
      <p className="font-bold text-soft">{t("next-job")}</p>
      <h2 id="next" className="truncate font-bold text-xl">
        {next.name}
      </h2>
      <ProgressLine progress={next.progress} />
      <svg width={0} height={0} aria-hidden="true" className="absolute">
        <Textures id={TEXTURES} />
      </svg>
      {piece?.needs && cable && <PieceBand cable={cable} needs={piece.needs} small textures={TEXTURES} />}
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <p className="min-w-0 flex-1">
          <span className="font-bold">{t("then", { name: next.next.name, at: next.next.at })}</span>
          <span className="block text-soft text-sm">{next.next.style}</span>
        </p>
        <Button size="large" asChild>
          <Link href={`/jobs/${next.id}`} aria-keyshortcuts="J">
            <span className="grid text-center leading-tight">
              {t("open-the-job")} <span className="font-normal text-sm">J</span>
            </span>
          </Link>
        </Button>
      </div>
    </section>
  );
}
