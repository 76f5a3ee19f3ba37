import { type Check, onLeg } from "@/core";
import { t } from "@/messages/bench";
import { Button } from "../controls/button";
import { ChoiceButton } from "../controls/choice";

/** A reading that was taken for another length than the one asked for, until somebody says that it is right. */
export interface Elsewhere {
  readonly id: string;
  readonly check: Check;
  readonly typed: string;
}

/** Says where a reading went before anything follows from it: Enter agrees, Z takes it back. */
export function TakenElsewhere({
  taken: { check, typed },
  midRun,
  onRight,
  onBack,
}: {
  taken: Elsewhere;
  midRun: boolean;
  onRight: () => void;
  onBack: () => void;
}) {
  return (
    <div role="alert" className="mb-2 grid gap-2 rounded-lg border-2 border-unsure p-2.5 leading-tight">
      <p>
        <span className="figures font-bold">{typed}</span> {t("was-taken-as-the")}{" "}
        <strong>
          {check.name}
          {onLeg(check.leg, midRun)}
        </strong>
        {t("by-its-size")}
      </p>
      <div className="flex gap-2">
        <Button onClick={onRight} aria-keyshortcuts="Enter" className="flex-1">
          {t("right")} <span className="hidden font-normal lg:inline">{t("enter")}</span>
        </Button>
        <ChoiceButton onClick={onBack} aria-keyshortcuts="Z" className="flex-1">
          {t("take-it-back")} <span className="hidden lg:inline">· Z</span>
        </ChoiceButton>
      </div>
    </div>
  );
}
