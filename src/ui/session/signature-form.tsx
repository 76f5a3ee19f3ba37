"use client";

import { useState } from "react";
import type { EndEvent } from "@/core";
import { t } from "@/messages/crew";
import { Field } from "../controls/field";
import { Select } from "../controls/select";

/** What a signature says, and why where it accepts. */
interface SignatureMeaning {
  readonly means: NonNullable<Extract<EndEvent, { kind: "sign" }>["means"]>;
  readonly reasons: string;
}

const MEANINGS = [
  { id: "made", name: t("made-by-me") },
  { id: "checked", name: t("checked-by-me") },
  { id: "accepted", name: t("accepted-with-reasons") },
] as const;

/** The meaning of a signature while it is chosen. */
export function useMeaning(start: SignatureMeaning["means"]) {
  const [meaning, setMeaning] = useState<SignatureMeaning>({ means: start, reasons: "" });
  const isWhole = meaning.means !== "accepted" || meaning.reasons.trim() !== "";
  return { meaning, setMeaning, isWhole };
}

interface MeaningFieldsProps extends Pick<ReturnType<typeof useMeaning>, "meaning" | "setMeaning"> {
  /** Whether it can say who made the end: only the sign-off does. */
  readonly first: boolean;
}

/** What the signature says; asks for reasons where it accepts what is not as it should be. */
export function MeaningFields({ meaning, setMeaning, first }: MeaningFieldsProps) {
  const options = MEANINGS.filter(({ id }) => first || id !== "made");
  return (
    <>
      <Select
        title={t("the-signature-says")}
        value={meaning.means}
        options={options}
        onPick={(id) => {
          const picked = options.find((option) => option.id === id);
          if (picked) setMeaning({ ...meaning, means: picked.id });
        }}
      />
      {meaning.means === "accepted" && (
        <Field
          title={t("reasons")}
          value={meaning.reasons}
          maxLength={300}
          onChange={(event) => setMeaning({ ...meaning, reasons: event.target.value })}
        />
      )}
    </>
  );
}

/** A meaning as an event has it: reasons only where they are asked for. */
export const asSaid = <M extends SignatureMeaning["means"]>({
  means,
  reasons,
}: {
  readonly means: M;
  readonly reasons: string;
}): { means: M; reasons?: string } => (means === "accepted" ? { means, reasons: reasons.trim() } : { means });
