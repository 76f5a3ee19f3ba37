"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { toast } from "sonner";
import { v4 as uuid } from "uuid";
import type { EndRecord } from "@/core";
import { t } from "@/messages/ledger";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { call } from "../http/http";
import { usePeople } from "../people/people-context";
import { Prove } from "../session/prove";
import { useSession } from "../session/session-context";
import { asSaid, MeaningFields, useMeaning } from "../session/signature-form";
import { LocalTime } from "../words/local-time";
import { signatureText } from "../words/signature-words";

interface SignaturesProps {
  readonly record: EndRecord;
  /** The last event this page has seen of the end. */
  readonly after: number;
}

/** Who signed an end and what each signature says; and a way for somebody else to add theirs. */
export function Signatures({ record: { id, signed, countersigned }, after }: SignaturesProps) {
  const [signing, setSigning] = useState(false);
  if (!signed) return null;
  return (
    <section aria-labelledby="signatures" className="mt-6">
      <h2 id="signatures" className="mb-1 font-bold text-lg">
        {t("signatures")}
      </h2>
      <ul className="divide-y divide-line border-line border-y">
        {[signed, ...countersigned].map((signature) => (
          <li key={signature.at} className="py-1">
            {signatureText(signature)}, <LocalTime iso={signature.at} />
          </li>
        ))}
      </ul>
      {signing ? (
        <SecondSignature end={id} after={after} onDone={() => setSigning(false)} />
      ) : (
        <Button size="small" className="no-print mt-2" onClick={() => setSigning(true)}>
          {t("add-a-signature")}
        </Button>
      )}
    </section>
  );
}

function SecondSignature({ end, after, onDone }: { end: string; after: number; onDone: () => void }) {
  const { crew } = useSession();
  const { who } = usePeople();
  const router = useRouter();
  const [name, setName] = useState(who?.name ?? "");
  const [problem, setProblem] = useState("");
  const { meaning, setMeaning, isWhole } = useMeaning("checked");
  const proven = crew.names === "proven";
  const sign = async () => {
    const { means } = meaning;
    if (means === "made") return;
    const event = { kind: "countersign" as const, name: name.trim(), ...asSaid({ ...meaning, means }) };
    const answer = await call("post /ends/{id}/events", {
      params: { id: end },
      body: { client: uuid(), after, by: who?.id ?? null, events: [{ id: uuid(), event }] },
    });
    if (!answer.ok) return setProblem(answer.problem.message);
    toast(t("the-signature-is-added"));
    onDone();
    router.refresh();
  };
  return (
    <div className="no-print mt-2 grid gap-2 rounded-lg border-2 border-ink p-3">
      <MeaningFields meaning={meaning} setMeaning={setMeaning} first={false} />
      {!proven && (
        <Field
          title={t("your-name")}
          value={name}
          maxLength={120}
          autoComplete="name"
          onChange={(event) => setName(event.target.value)}
        />
      )}
      <p role="alert" className="text-out empty:hidden">
        {problem}
      </p>
      {proven && who && isWhole && (
        <Prove person={who.id} purpose="again" action={t("sign")} onProven={sign} />
      )}
      {proven && !who && <p>{t("sign-in-to-sign")}</p>}
      <div className="flex gap-2">
        {!proven && (
          <Button look="strong" disabled={name.trim() === "" || !isWhole} onClick={sign} className="flex-1">
            {t("sign")}
          </Button>
        )}
        <Button look="quiet" onClick={onDone}>
          {t("leave-it")}
        </Button>
      </div>
    </div>
  );
}
