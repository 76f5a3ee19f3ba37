"use client";

import { useState } from "react";
import { type EndEvent, type EndState, type Result, shardsMissing } from "@/core";
import { t } from "@/messages/bench";
import { ShardCount } from "../aids/shard-count";
import { Button } from "../controls/button";
import { Input } from "../controls/input";
import { usePeople } from "../people/people-context";
import { RESULT_WORDS } from "../words/verdict-words";

interface SignFormProps {
  readonly state: EndState;
  readonly result: Result;
  readonly onAdd: (event: EndEvent) => void;
  readonly onBack: () => void;
  readonly onSign: (name: string, outcome: "kept" | "cut-off", missingShards: string) => void;
}

/** Whose name stands for the end; where shards are missing, why. */
export function SignForm({ state, result, onAdd, onBack, onSign }: SignFormProps) {
  const { who, come } = usePeople();
  const [name, setName] = useState(who?.name ?? "");
  const [missing, setMissing] = useState(false);
  const [why, setWhy] = useState("");
  const [unsaid, setUnsaid] = useState(false);
  const lost = shardsMissing(state);
  const sign = (outcome: "kept" | "cut-off") => {
    if (name.trim() === "") setMissing(true);
    else if (lost > 0 && why.trim() === "") setUnsaid(true);
    else {
      // Whoever signs has the device from here on; an unknown name adds a person.
      come(name.trim());
      onSign(name.trim(), outcome, lost > 0 ? why.trim() : "");
    }
  };

  return (
    <form
      className="grid gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        sign("kept");
      }}
    >
      <label htmlFor="signer" className="font-semibold">
        {t("signed-off-by")}
      </label>
      <Input
        id="signer"
        value={name}
        maxLength={120}
        autoComplete="name"
        onChange={(event) => {
          setName(event.target.value);
          setMissing(false);
        }}
        aria-invalid={missing}
        aria-describedby="sign-off signer-missing"
        strong
        className="text-xl"
      />
      <Signers
        name={name}
        onPick={(picked) => {
          setName(picked);
          setMissing(false);
        }}
      />
      <p id="signer-missing" role="alert" className="text-out">
        {missing ? t("a-sign-off-carries-a-name") : ""}
      </p>
      {lost > 0 && (
        <MissingShards
          shards={state.shards}
          onAdd={onAdd}
          why={why}
          onWhy={(reason) => {
            setWhy(reason);
            setUnsaid(false);
          }}
          unsaid={unsaid}
        />
      )}
      <div className="flex flex-wrap gap-2">
        <Button size="large" onClick={onBack}>
          {t("back")}
        </Button>
        <Button look="strong" size="large" type="submit" className="flex-1">
          {t("sign-off", { toLowerCase: RESULT_WORDS[result].toLowerCase() })}
        </Button>
        <Button size="large" onClick={() => sign("cut-off")}>
          {t("it-was-cut-off")}
        </Button>
      </div>
    </form>
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
