import { t } from "@/messages/entry-editor";
import { LengthField } from "../editor/field";

interface TitledLengthProps {
  readonly title: string;
  /** Millimetres. */
  readonly value: number;
  readonly onTake: (value: number) => void;
}

/** A length of an entry with its name above it. */
export const TitledLength = ({ title, value, onTake }: TitledLengthProps) => (
  <span className="grid gap-0.5">
    <span className="text-soft text-sm">{title}</span>
    <LengthField
      label={t("mm-3", { label: title })}
      value={value}
      onChange={(next) => next !== null && onTake(next)}
    />
  </span>
);
