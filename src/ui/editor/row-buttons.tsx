import { ArrowDown, ArrowUp, X } from "lucide-react";
import { mustHoldAt } from "@/core";
import { t } from "@/messages/editor";
import { IconButton } from "../controls/icon-button";

interface RowButtonsProps<T> {
  readonly name: string;
  readonly list: readonly T[];
  readonly at: number;
  readonly onChange: (next: T[]) => void;
}

function swapped<T>(list: readonly T[], a: number, b: number): T[] {
  const next = [...list];
  [next[a], next[b]] = [mustHoldAt(list, b), mustHoldAt(list, a)];
  return next;
}

/** Moves a row up or down, or takes it out; undo brings it back. */
export function RowButtons<T>({ name, list, at, onChange }: RowButtonsProps<T>) {
  return (
    <span className="flex">
      <IconButton
        name={t("earlier", { name })}
        disabled={at === 0}
        onClick={() => onChange(swapped(list, at, at - 1))}
      >
        <ArrowUp aria-hidden="true" className="size-5" />
      </IconButton>
      <IconButton
        name={t("later", { name })}
        disabled={at === list.length - 1}
        onClick={() => onChange(swapped(list, at, at + 1))}
      >
        <ArrowDown aria-hidden="true" className="size-5" />
      </IconButton>
      <IconButton name={t("take-out", { name })} onClick={() => onChange(list.filter((_, i) => i !== at))}>
        <X aria-hidden="true" className="size-5" />
      </IconButton>
    </span>
  );
}
