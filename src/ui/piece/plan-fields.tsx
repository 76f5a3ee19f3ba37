"use client";

import { type Length, type PiecePlan, readCount, readMetresOrNone, UNSAID } from "@/core";
import { t } from "@/messages/jobs";
import { FigureField } from "../controls/figure-field";
import { ASKS_METRES, metresText } from "../plan/metres";

/** Changes the plan; answers whether the change was possible. */
export type ChangePlan = (make: (before: PiecePlan) => PiecePlan) => boolean;

const named = (text: string): string | null => (text.length <= 200 ? text.trim() : null);

interface WordsProps {
  readonly title: string;
  readonly value: string;
  readonly onTake: (value: string) => boolean;
}

/** A name or a place, in words. */
export const WordsField = ({ title, value, onTake }: WordsProps) => (
  <FigureField
    title={title}
    value={value}
    text={String}
    read={named}
    asks={t("at-most-200-letters")}
    onTake={onTake}
  />
);

/** A length of the plan; empty as long as nobody has said it. */
export function MetresField({
  title,
  value,
  onTake,
}: {
  title: string;
  value: Length | null;
  onTake: (value: Length | null) => boolean;
}) {
  return (
    <FigureField
      title={title}
      value={value ?? UNSAID}
      text={(length) => (length === UNSAID ? "" : metresText(length))}
      read={readMetresOrNone}
      asks={ASKS_METRES}
      onTake={(length) => onTake(length === UNSAID ? null : length)}
    />
  );
}

/** A whole number of the plan; empty as long as nobody has said it. */
export function CountField({
  title,
  value,
  most,
  asks,
  onTake,
}: {
  title: string;
  value: number | null;
  most: number;
  asks: string;
  onTake: (value: number | null) => boolean;
}) {
  return (
    <FigureField
      title={title}
      value={value ?? NONE}
      text={(count) => (count === NONE ? "" : String(count))}
      read={(text) => (text.trim() === "" ? NONE : readCount(text, most))}
      asks={asks}
      onTake={(count) => onTake(count === NONE ? null : count)}
    />
  );
}

/** Stands for a number that is not stated. */
export const NONE = -1;
