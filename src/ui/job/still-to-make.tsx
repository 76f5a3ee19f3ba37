import { t } from "@/messages/jobs";
import { decimal } from "@/messages/numbers";
import { Link } from "../controls/link";

/** Sums of a job's open ends and splices, by the crew's own record. */
export interface Left {
  readonly hours: { readonly least: number; readonly most: number } | null;
  readonly parts: number | null;
  readonly metres: number | null;
  readonly ends: number;
  readonly splices: number;
}

const hoursText = (value: number): string => decimal(value.toFixed(1));

/** Hours, parts and cable a job still takes, in a line; the pick list has them one by one. */
export function StillToMake({ job, left }: { readonly job: string; readonly left: Left }) {
  const { hours, parts, metres, ends, splices } = left;
  const items = [
    ends > 0 && t("ends-left", { ends }),
    splices > 0 && t("splices-left", { splices }),
    hours && t("hours-range", { least: hoursText(hours.least), most: hoursText(hours.most) }),
    parts !== null && t("parts-left", { parts }),
    metres !== null && metres > 0 && t("metres-left", { metres: decimal(metres.toFixed(1)) }),
  ].filter(Boolean);
  return (
    <p className="mt-1">
      {t("still-to-make")}{" "}
      <Link href={`/jobs/${job}/needs`} className="underline">
        {items.join(" · ")}
      </Link>
    </p>
  );
}
