"use client";

import { useState } from "react";
import { type EndEvent, type EndState, type Result, shardsMissing } from "@/core";
import { t } from "@/messages/bench";
import { ShardCount } from "../aids/shard-count";
import { Button } from "../controls/button";
import { Input } from "../controls/input";
import { usePeople } from "../people/people-context";
import { Prove } from "../session/prove";
import { useSession } from "../session/session-context";
import { asSaid, MeaningFields, useMeaning } from "../session/signature-form";
import { RESULT_WORDS } from "../words/verdict-words";

export type SignEvent = Extract<EndEvent, { kind: "sign" }>;

interface SignFormProps {
  readonly state: EndState;
  readonly result: Result;
  readonly onAdd: (event: EndEvent) => void;
  readonly onBack: () => void;
  readonly onSign: (event: SignEvent) => void;
}

/** What is being signed, and what is still missing from it. */
function useSignOff(state: EndState, onSign: SignFormProps["onSign"]) {
  const { who, come } = usePeople();
  const { crew } = useSession();
  const [name, setName] = useState(who?.name ?? "");
  const [why, setWhy] = useState("");
  const [missing, setMissing] = useState<"name" | "shards" | "reasons" | null>(null);
  const [proving, setProving] = useState<SignEvent | null>(null);
  const { meaning, setMeaning, isWhole } = useMeaning("made");
  const lost = shardsMissing(state);
  const proven = crew.names === "proven";
  const signer = (proven ? (who?.name ?? "") : name).trim();
  const sign = (outcome: "kept" | "cut-off") => {
    if (signer === "") return setMissing("name");
    if (lost > 0 && why.trim() === "") return setMissing("shards");
    if (!isWhole) return setMissing("reasons");
    const event: SignEvent = {
      kind: "sign",
      name: signer,
      outcome,
      ...(meaning.means === "made" ? {} : asSaid(meaning)),
      ...(lost > 0 ? { missingShards: why.trim() } : {}),
    };
    if (proven) return setProving(event);
    // Whoever signs has the device from here on; an unknown name adds a person.
    come(signer);
    onSign(event);
  };
  const typed = <T,>(set: (value: T) => void) => {
    return (value: T) => {
      set(value);
      setMissing(null);
    };
  };
  return {
    ...{ name, why, missing, proving, meaning, lost, proven, who, sign, setProving },
    ...{ setName: typed(setName), setWhy: typed(setWhy), setMeaning: typed(setMeaning) },
  };
}

/** Whose name stands for the end, and what it says; where shards are missing, why. */
export function SignForm({ state, result, onAdd, onBack, onSign }: SignFormProps) {
  const off = useSignOff(state, onSign);
  const { proving, who } = off;
  if (proving && who)
    return (
      <div className="grid gap-2">
        <Prove
          person={who.id}
          purpose="again"
          action={t("sign-off", { toLowerCase: RESULT_WORDS[result].toLowerCase() })}
          onProven={() => onSign(proving)}
        />
        <Button onClick={() => off.setProving(null)}>{t("back")}</Button>
      </div>
    );
  return (
    <form
      className="grid gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        off.sign("kept");
      }}
    >
      {off.proven ? <ProvenSigner name={who?.name ?? null} /> : <FreeSigner {...off} />}
      <p id="signer-missing" role="alert" className="text-out empty:hidden">
        {off.missing === "name" && t("a-sign-off-carries-a-name")}
        {off.missing === "reasons" && t("enter-why-you-accept-it")}
      </p>
      <MeaningFields meaning={off.meaning} setMeaning={off.setMeaning} first />
      {off.lost > 0 && (
        <MissingShards
          shards={state.shards}
          onAdd={onAdd}
          why={off.why}
          onWhy={off.setWhy}
          unsaid={off.missing === "shards"}
        />
      )}
      <div className="flex flex-wrap gap-2">
        <Button size="large" onClick={onBack}>
          {t("back")}
        </Button>
        <Button look="strong" size="large" type="submit" className="flex-1">
          {t("sign-off", { toLowerCase: RESULT_WORDS[result].toLowerCase() })}
        </Button>
        <Button size="large" onClick={() => off.sign("cut-off")}>
          {t("it-was-cut-off")}
        </Button>
      </div>
    </form>
  );
}

/** Where names are proven: whoever has signed in signs. */
const ProvenSigner = ({ name }: { readonly name: string | null }) => (
  <p id="signer" tabIndex={-1} className="text-xl outline-none">
    {name === null ? t("sign-in-under-who") : t("signs-as", { name })}
  </p>
);

type FreeSignerProps = Pick<ReturnType<typeof useSignOff>, "name" | "setName" | "missing">;

function FreeSigner({ name, setName, missing }: FreeSignerProps) {
  return (
    <>
      <label htmlFor="signer" className="font-semibold">
        {t("signed-off-by")}
      </label>
      <Input
        id="signer"
        value={name}
        maxLength={120}
        autoComplete="name"
        onChange={(event) => setName(event.target.value)}
        aria-invalid={missing === "name"}
        aria-describedby="sign-off signer-missing"
        strong
        className="text-xl"
      />
      <Signers name={name} onPick={setName} />
    </>
  );
}

interface SignersProps {
  readonly name: string;
  readonly onPick: (name: string) => void;
}

/** Everybody of the crew by name; nothing where there is one person. */
function Signers({ name, onPick }: SignersProps) {
  const { people, pick } = usePeople();
  if (people.length < 2) return null;
  return (
    <ul aria-label={t("who-signs")} className="flex flex-wrap gap-2">
      {people.map((person) => (
        <li key={person.id}>
          <Button
            look={person.name === name.trim() ? "strong" : "quiet"}
            size="small"
            aria-pressed={person.name === name.trim()}
            onClick={() => {
              pick(person.id);
              onPick(person.name);
            }}
          >
            {person.name}
          </Button>
        </li>
      ))}
    </ul>
  );
}

interface MissingShardsProps extends Pick<SignFormProps, "onAdd"> {
  readonly shards: EndState["shards"];
  readonly why: string;
  readonly onWhy: (why: string) => void;
  readonly unsaid: boolean;
}

/** Shards that came off and are not in the bin: counted now, or where they are. */
function MissingShards({ shards, onAdd, why, onWhy, unsaid }: MissingShardsProps) {
  return (
    <div className="grid gap-2 rounded-lg border-2 border-out p-3">
      <ShardCount shards={shards} onAdd={onAdd} />
      <label htmlFor="shards-why" className="font-semibold">
        {t("not-to-be-found-say-where")}
      </label>
      <Input
        id="shards-why"
        value={why}
        maxLength={300}
        onChange={(event) => onWhy(event.target.value)}
        aria-invalid={unsaid}
        aria-describedby="shards-unsaid"
        strong
      />
      <p id="shards-unsaid" role="alert" className="text-out">
        {unsaid ? t("a-shard-is-missing-find-it") : ""}
      </p>
    </div>
  );
}
