import { memo, useState } from "react";
import type { Contradiction } from "@/core";
import { t } from "@/messages/editor";
import { Button } from "../controls/button";

interface FoundProps {
  /** What cannot all hold, each with the cable it was found on where that is one of several. */
  readonly contradictions?: readonly {
    readonly message: string;
    readonly cable?: string;
    /** By how much figures cannot hold together; 0 where it is the order of work that cannot be done. */
    readonly shortBy?: number;
    readonly source?: "step" | "remedy";
    readonly number?: number;
    readonly features?: readonly string[];
  }[];
  /** Shows where one of them is. */
  readonly onLight?: (feature: string) => void;
  /** Why it is not whole. */
  readonly bad: string | null;
  /** What saving it met with. */
  readonly problem: string | null;
  /** What a careful colleague would ask. */
  readonly advice?: readonly { readonly about: string; readonly id: string; readonly message: string }[];
}

const NONE: readonly never[] = [];

/**
 * The faults of the document being edited, those that stop saving first. On a desk its height is fixed, so that no field
 * moves while it is typed in: longer lists scroll.
 */
export const ReviewResults = memo(function Found({
  contradictions = NONE,
  bad,
  problem,
  advice = NONE,
  onLight,
}: FoundProps) {
  const [open, setOpen] = useState(false);
  const nothing = !problem && !bad && contradictions.length === 0;
  return (
    <section
      aria-label={t("what-is-found")}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls is reached by keyboard too
      tabIndex={0}
      className={`isolate overflow-y-auto px-4 pt-2 [contain:layout_paint] sm:px-6 ${open ? "lg:max-h-64" : "lg:h-20 lg:[contain:strict]"}`}
    >
      <div role="status" className="grid content-start gap-1">
        {nothing && <p className="hidden text-soft lg:block">{t("nothing-contradicts-itself")}</p>}
        {problem && <p className="font-bold text-out">{problem}</p>}
        <div id="contradictions" className="grid gap-1 empty:hidden">
          {contradictions.map(({ message, cable, features = NONE, ...source }, n) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a key into a figure changes what one says, and seldom how many there are
            <p key={n} className={BOX}>
              <strong className="text-out">{headOf(source)}</strong> {message}
              {cable && <span className="text-soft"> {t("on", { cable })}</span>}{" "}
              {onLight && features[0] && (
                <Button look="link" onClick={() => onLight(features.at(-1) ?? "")}>
                  {t("show-where")}
                </Button>
              )}
            </p>
          ))}
        </div>
        {bad && (
          <p className={BOX}>
            <strong className="text-out">{t("not-whole-yet")}</strong> {bad}
          </p>
        )}
      </div>
      {advice.length > 0 && (
        <details
          className="mt-1 rounded-lg bg-note px-3"
          onToggle={({ currentTarget }) => setOpen(currentTarget.open)}
        >
          <summary className="min-h-12 cursor-pointer py-3 font-semibold">
            {t("other-a-colleague-would-ask", { length: advice.length })}
          </summary>
          <ul className="list-disc pb-2 pl-5">
            {advice.map(({ about, id, message }) => (
              <li key={`${about}/${id}/${message}`}>{message}</li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
});

/** What kind of thing is wrong, before what it is. */
function headOf({
  source,
  number,
  shortBy,
}: Partial<Pick<Contradiction, "source" | "number" | "shortBy">>): string {
  if (source === "remedy") return t("this-remedy-is-wrong");
  if (source === "step" && number) return t("step-cannot-be-done", { number });
  return shortBy === 0 ? t("this-cannot-be-done-in-this") : t("contradiction");
}

const BOX = "rounded-lg border-2 border-out px-3 py-1";

/** Of what is written below a head that stays on a desk, with a drawing in it: a field come to by a key is never behind it. */
export const BELOW_THE_HEAD = "lg:[&_:is(input,textarea,button,summary)]:scroll-mt-[28rem]";

/** The same where nothing is drawn in the head. */
export const BELOW_A_LOW_HEAD = "lg:[&_:is(input,textarea,button,summary)]:scroll-mt-40";
