import { isDone } from "@/core";
import { t } from "@/messages/entry";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import type { NamedCable } from "../entry-drawing/entry-cables";
import { STANDING_WORDS, StandingMark } from "../plan/standing";
import type { CableStanding } from "./joined";

interface CableStandsProps {
  readonly cable: NamedCable;
  /** The state of its place; undefined for a cable planned nowhere, or just added. */
  readonly stands: CableStanding | undefined;
  readonly job: string;
  readonly busy: boolean;
  readonly onBegin: () => void;
}

/** What piece a cable of a closure is, how its place stands, and the way to its bench or record. */
export function CableStands({ cable, stands, job, busy, onBegin }: CableStandsProps) {
  const standing = stands?.standing ?? "planned";
  return (
    <p className="flex min-h-12 flex-wrap items-center gap-x-2 px-2">
      <StandingMark standing={standing} />
      <span className="min-w-0 flex-1">
        {cable.joins ? (
          <Link href={`/jobs/${job}/${cable.joins.piece}`} className="underline decoration-line">
            {stands?.at || t("its-piece")}
          </Link>
        ) : (
          <span className="text-soft">{t("of-no-piece")}</span>
        )}{" "}
        <span className="text-soft text-sm">{STANDING_WORDS[standing].toLowerCase()}</span>
        {stands?.trouble && <strong className="block text-out text-sm">{stands.trouble}</strong>}
      </span>
      {stands?.end && standing !== "bench" && (
        <Button look="link" asChild>
          <Link href={`/ledger/${stands.end}`}>{t("record")}</Link>
        </Button>
      )}
      {standing === "bench" && stands?.end ? (
        <Button size="small" asChild>
          <Link
            href={stands.batch ? `/bench/batch/${stands.batch}?end=${stands.end}` : `/bench/${stands.end}`}
          >
            {t("go-on")}
          </Link>
        </Button>
      ) : (
        !isDone(standing) && (
          <Button
            size="small"
            look={standing === "planned" ? "quiet" : "plain"}
            disabled={busy || Boolean(stands?.trouble)}
            aria-label={`${standing === "planned" ? t("to-the-bench") : t("make-it-again")}: ${cable.name}`}
            onClick={onBegin}
            className="no-print"
          >
            {standing === "planned" ? t("bench") : t("again")}
          </Button>
        )
      )}
    </p>
  );
}
