"use client";

import type { FeederAnswer } from "@/core";
import { t } from "@/messages/feeder";
import { Link } from "../controls/link";
import { KeptTrouble, KeptWord } from "../piece/kept-line";
import { FeederView } from "./feeder-view";
import { useJobFeeder } from "./use-job-feeder";

interface JobFeederProps {
  readonly feeder: FeederAnswer;
  readonly jobName: string;
  readonly closures: readonly { readonly id: string; readonly name: string }[];
}

/** A feeder of a job: its joints in the job's closures, and the powers read there. */
export function JobFeeder({ feeder, jobName, closures }: JobFeederProps) {
  const { save, again, ...held } = useJobFeeder(feeder);
  return (
    <FeederView held={held} closures={closures} readings={feeder.readings}>
      <div className="flex min-w-0 flex-wrap gap-x-2 text-soft">
        <Link href={`/jobs/${feeder.job}`} className="underline">
          {t("feeder-of-job", { job: jobName })}
        </Link>
        <KeptWord save={save} />
      </div>
      <KeptTrouble save={save} again={again} />
    </FeederView>
  );
}
