import { type FormEvent, useState } from "react";
import { type ToolStanding, zMark } from "@/core";
import { t } from "@/messages/shift";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import type { Shift } from "./use-shift";

interface AnotherToolProps {
  readonly tool: ToolStanding;
  readonly shift: Shift;
}

/** Turns to another tool of the same kind: each goes by what it is marked. */
export function AnotherTool({ tool, shift }: AnotherToolProps) {
  const [mark, setMark] = useState<string | null>(null);
  if (mark === null)
    return (
      <Button look="link" onClick={() => setMark("")}>
        {t("another-of-these")}
      </Button>
    );
  const read = zMark.safeParse(mark);
  const take = (event: FormEvent) => {
    event.preventDefault();
    if (read.success && read.data !== "") shift.pickMarked(tool, read.data);
  };
  return (
    <form onSubmit={take} className="mb-2 flex w-full flex-wrap items-end gap-x-2 gap-y-1 text-ink">
      <Field
        title={t("its-mark")}
        value={mark}
        autoFocus
        maxLength={20}
        onChange={({ target }) => setMark(target.value)}
        onKeyDown={({ key }) => {
          if (key === "Escape") setMark(null);
        }}
        className="w-60"
      />
      <Button type="submit" disabled={!read.success || read.data === ""}>
        {t("check-this-one")}
      </Button>
      <p className="w-full text-soft text-sm">{t("about-marks")}</p>
    </form>
  );
}
