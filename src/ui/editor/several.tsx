import { t } from "@/messages/editor";
import { Select } from "../controls/select";
import { optionsOf } from "./bench-words";
import { Tick } from "./tick";

interface SeveralProps<Id extends string> {
  readonly title: string;
  /** What the list says while it adds nothing. */
  readonly adds: string;
  readonly ids: readonly Id[];
  readonly names: Readonly<Record<Id, string>>;
  readonly picked: readonly Id[];
  readonly onChange: (picked: Id[]) => void;
}

/** Some of many: those picked stand there to be taken off, a list adds another. */
export function Several<Id extends string>({ title, adds, ids, names, picked, onChange }: SeveralProps<Id>) {
  return (
    <fieldset>
      <legend className="text-soft text-sm">{title}</legend>
      <div className="flex flex-wrap items-end gap-2">
        {picked.map((id) => (
          <Tick
            key={id}
            name={names[id] ?? id}
            on
            onTick={() => onChange(picked.filter((other) => other !== id))}
          />
        ))}
        <Select
          title={t("add")}
          small
          value=""
          empty={adds}
          options={optionsOf(
            ids.filter((id) => !picked.includes(id)),
            names,
          )}
          onPick={(picking) => {
            const id = ids.find((id) => id === picking);
            if (id !== undefined) onChange([...picked, id]);
          }}
          className="min-w-56"
        />
      </div>
    </fieldset>
  );
}
