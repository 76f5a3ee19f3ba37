"use client";

import { useEffect, useState } from "react";
import { t } from "@/messages/editor";
import { Button } from "../controls/button";

interface JsonTextProps {
  readonly value: unknown;
  /** Of which kind it is: what its schema is published under. */
  readonly kind: "procedures" | "cables" | "entries";
  /** Takes it into the draft. @returns why not, or null. */
  readonly onTake: (value: unknown) => string | null;
}

/** The whole document as text, for what has no field of its own, and to paste one from elsewhere. */
export function JsonText({ value, kind, onTake }: JsonTextProps) {
  const [text, setText] = useState(() => JSON.stringify(value, null, 2));
  const [wrong, setWrong] = useState<string | null>(null);
  useEffect(() => setText(JSON.stringify(value, null, 2)), [value]);
  const take = () => {
    try {
      setWrong(onTake(JSON.parse(text)));
    } catch (error) {
      setWrong(error instanceof Error ? error.message : t("this-is-not-json"));
    }
  };
  return (
    <div className="grid gap-2">
      <p className="max-w-prose text-soft">
        {t("lengths-in-millimetres-the-schema-is")}{" "}
        <a href={`/api/v1/schema/${kind}`} className="underline">
          {`/api/v1/schema/${kind}`}
        </a>
        .
      </p>
      <textarea
        aria-label={t("the-document-as-json")}
        data-own-undo
        value={text}
        spellCheck={false}
        rows={24}
        onChange={(event) => setText(event.target.value)}
        className="figures w-full rounded-lg border border-line bg-field p-3 text-sm"
      />
      <p role="alert" className="font-semibold text-out empty:hidden">
        {wrong ?? ""}
      </p>
      <Button onClick={take} className="justify-self-start">
        {t("take-this-text")}
      </Button>
    </div>
  );
}
