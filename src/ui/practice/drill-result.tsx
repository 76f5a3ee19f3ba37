"use client";

import { useEffect, useRef } from "react";
import { t } from "@/messages/practice";
import { Button } from "../controls/button";

/** Functions of a drill: it tells once whether the answer was right, and goes on when asked. */
export interface DrillProps {
  readonly onAnswer: (right: boolean) => void;
  readonly onNext: () => void;
}

interface DrillResultProps {
  readonly right: boolean;
  /** The answer there was; empty where there was none but what `more` says. */
  readonly was: string;
  readonly more?: string;
  readonly onNext: () => void;
}

/** Result of an answer, and the way to the next drill: Enter. */
export function DrillResult({ right, was, more = "", onNext }: DrillResultProps) {
  const next = useRef<HTMLButtonElement>(null);
  useEffect(() => next.current?.focus(), []);
  return (
    <div role="status" className={`mt-4 rounded-lg border-2 px-4 py-3 ${right ? "border-in" : "border-out"}`}>
      <p className="font-bold text-xl">
        {right ? t("right") : was === "" ? t("not-yet") : t("wrong-it-was", { was })}
      </p>
      {more !== "" && <p>{more}</p>}
      <Button ref={next} look="strong" onClick={onNext} className="mt-2">
        {t("next-drill")}
      </Button>
    </div>
  );
}
