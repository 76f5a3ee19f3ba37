import type { Across } from "@/core";
import { t } from "@/messages/jobs";

/** What does not go together over the two ends of a fibre, in words. */
const mismatchText = ({ name, asks, here, far }: Across): string =>
  t("side-a-is-side-b-is", {
    name,
    here,
    far,
    value: asks === "same" ? t("both-must-be-the-same") : t("one-must-be-the-other"),
  });

/** Told before anybody goes to the bench: both ends as planned, and what they must be. */
export const Mismatch = ({ all }: { all: readonly Across[] }) =>
  all.length === 0 ? null : (
    <p role="alert" className="rounded-md border-2 border-out px-3 py-1.5">
      <strong className="text-out">{t("the-two-sides-do-not-go")}</strong> {all.map(mismatchText).join(" ")}
    </p>
  );
