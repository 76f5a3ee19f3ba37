"use client";

import { useState } from "react";
import { t } from "@/messages/shelf";
import { Button } from "../controls/button";
import { Input } from "../controls/input";
import { Link } from "../controls/link";
import { Select } from "../controls/select";
import { Editor } from "../editor/editor";
import type { NewSheetProps } from "./new-sheet-props";
import { useNewSheet } from "./use-new-sheet";

const EXAMPLE = t("name-datum-value-unit-plus-minus");

/** A sheet of one's own: a list of lengths pasted or dropped becomes a draft; a document from elsewhere is taken in. */
export function NewSheet({ cables, tools, taken, kit }: NewSheetProps) {
  const work = useNewSheet({ cables, taken, kit });
  const { draft, name, setName, cableId, setCableId, text, type, problem, twin } = work;
  const [over, setOver] = useState(false);
  if (draft)
    return (
      <Editor
        initial={draft.document}
        basis={draft.basis}
        {...(draft.from ? { from: draft.from } : {})}
        cables={cables}
        tools={tools}
        kit={kit}
      />
    );

  return (
    <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
      <Link href="/shelf" className="inline-flex min-h-12 items-center text-soft underline">
        {t("shelf")}
      </Link>
      <h1 className="font-bold text-2xl">{t("a-sheet-of-your-own")}</h1>
      <p className="max-w-prose text-lg">{t("type-or-paste-the-lengths-off")}</p>
      {twin && <Twin work={work} twin={twin} />}
      <form
        className="mt-4 grid max-w-3xl gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          work.make(text);
        }}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(event) => {
          event.preventDefault();
          setOver(false);
          work.takeFile(event.dataTransfer.files[0]);
        }}
      >
        <label className="grid gap-1">
          <span className="font-semibold">{t("what-is-it-called")}</span>
          <Input
            value={name}
            maxLength={200}
            placeholder={t("hut-stub-3-mm-cord")}
            onChange={(event) => setName(event.target.value)}
            strong
          />
        </label>
        <Select title={t("which-cable-is-it-for")} value={cableId} onPick={setCableId} options={cables} />
        <label className="grid gap-1">
          <span className="font-semibold">{t("its-lengths-name-datum-value-unit")}</span>
          <textarea
            value={text}
            rows={8}
            spellCheck={false}
            placeholder={EXAMPLE}
            onChange={(event) => type(event.target.value)}
            className={`figures rounded-lg border-2 bg-field px-4 py-2 placeholder:text-soft ${over ? "border-now bg-now-wash" : "border-ink"}`}
          />
          <span className="text-soft text-sm">{t("the-datum-is-the-end-or")}</span>
        </label>
        <p role="alert" className="whitespace-pre-line font-semibold text-out empty:hidden">
          {problem ?? ""}
        </p>
        <NewSheetButtons work={work} />
      </form>
    </main>
  );
}

/** The ways a sheet is begun: from the list, empty, or from a file. */
function NewSheetButtons({ work }: Pick<TwinProps, "work">) {
  return (
    <div className="flex flex-wrap gap-2">
      <Button look="next" size="large" type="submit" className="flex-1">
        {t("draft-it")}
      </Button>
      <Button size="large" onClick={work.beginEmpty}>
        {t("add-lengths-one-by-one")}
      </Button>
      <label className="flex min-h-14 cursor-pointer items-center rounded-lg border-2 border-ink px-5 font-semibold focus-within:outline-3 focus-within:outline-now">
        {t("open-a-file")}
        <input
          type="file"
          accept=".csv,.txt,.tsv,.json"
          className="sr-only"
          onChange={(event) => work.takeFile(event.target.files?.[0])}
        />
      </label>
    </div>
  );
}

interface TwinProps {
  readonly work: ReturnType<typeof useNewSheet>;
  readonly twin: NonNullable<ReturnType<typeof useNewSheet>["twin"]>;
}

/** What was opened is on the shelf already: it replaces that, or goes beside it. */
function Twin({ work: { replace, asNew, leaveTwin }, twin }: TwinProps) {
  return (
    <section
      aria-labelledby="twin"
      className="mt-4 grid max-w-3xl gap-3 rounded-lg border-2 border-ink bg-raised p-4"
    >
      <h2 id="twin" className="font-bold text-lg">
        {t("is-on-the-shelf-already-at", { name: twin.document.name, revision: twin.revision })}
      </h2>
      <div className="flex flex-wrap gap-2">
        <Button look="next" size="large" onClick={() => replace(twin)}>
          {t("replace-it-look-it-over-as", { value: twin.revision + 1 })}
        </Button>
        <Button size="large" onClick={() => asNew(twin.document)}>
          {t("take-it-in-beside-it")}
        </Button>
        <Button look="link" onClick={() => leaveTwin()} className="min-h-14 px-4">
          {t("leave-it")}
        </Button>
      </div>
      <p className="text-soft text-sm">{t("nothing-is-written-over-earlier-revisions")}</p>
    </section>
  );
}
