"use client";

import { useState } from "react";
import { type CheckStanding, type EndState, type Entry, type Result, shardsMissing } from "@/core";
import { ShardCount } from "../aids/shard-count";
import { limitsText, type Units } from "../words/length-text";
import { VerdictSign } from "../words/verdict-sign";
import { RESULT_WORDS, verdictWords } from "../words/verdict-words";

interface SignPanelProps {
  readonly standings: readonly CheckStanding[];
  readonly result: Result;
  readonly units: Units;
  readonly name: string;
  readonly onBack: () => void;
  readonly state: EndState;
  readonly onAdd: (entry: Entry) => void;
  readonly onSign: (name: string, outcome: "kept" | "cut-off", missingShards: string) => void;
}

const SAY: Record<Result, string> = {
  in: "Every length is in and every look was good.",
  out: "Something is out. Sign it off so only if it is to be used as it is; the record will say so.",
  unsure: "A length is not settled. Measure it again, or sign it off so; the record will say so.",
  unmeasured: "Not everything was measured or looked at. The record will say so.",
  "cut-off": "This end was cut off.",
};

/** The last word on an end: what it came to, and whose name stands for it. */
export function SignPanel({
  standings,
  result,
  units,
  name: remembered,
  state,
  onAdd,
  onBack,
  onSign,
}: SignPanelProps) {
  const [name, setName] = useState(remembered);
  const [missing, setMissing] = useState(false);
  const [why, setWhy] = useState("");
  const [unsaid, setUnsaid] = useState(false);
  const lost = shardsMissing(state);
  const sign = (outcome: "kept" | "cut-off") => {
    if (name.trim() === "") setMissing(true);
    else if (lost > 0 && why.trim() === "") setUnsaid(true);
    else onSign(name.trim(), outcome, lost > 0 ? why.trim() : "");
  };
  return (
    <div className="mx-auto grid w-full max-w-2xl gap-4 overflow-y-auto px-4 py-5">
      <h2 className="flex items-center gap-3 font-bold text-3xl">
        <VerdictSign verdict={result} large /> {RESULT_WORDS[result]}
      </h2>
      <p className="text-lg">{SAY[result]}</p>
      <ul className="divide-y divide-line border-line border-y">
        {standings.map(({ check, judged, readings }) => {
          const words = judged && verdictWords(check, judged, units);
          return (
            <li key={check.id} className="flex items-center gap-3 py-2">
              <VerdictSign verdict={judged?.verdict ?? "unmeasured"} />
              <span className="min-w-0 flex-1">
                {check.name}
                {check.leg && `, leg ${check.leg}`}{" "}
                <span className="text-soft">{limitsText(check.min, check.max, units)}</span>
              </span>
              <span className="text-right">
                {words ? `${words.word} ${words.by} · ${readings.length} read` : "not measured"}
              </span>
            </li>
          );
        })}
      </ul>
      <form
        className="grid gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          sign("kept");
        }}
      >
        <label htmlFor="signer" className="font-semibold">
          Signed off by
        </label>
        <input
          id="signer"
          value={name}
          maxLength={120}
          autoComplete="name"
          onChange={(event) => {
            setName(event.target.value);
            setMissing(false);
          }}
          aria-invalid={missing}
          aria-describedby="signer-missing"
          className="min-h-12 rounded-lg border-2 border-ink bg-field px-4 text-xl"
        />
        <p id="signer-missing" role="alert" className="text-out">
          {missing ? "A sign-off carries a name." : ""}
        </p>
        {lost > 0 && (
          <div className="grid gap-2 rounded-lg border-2 border-out p-3">
            <ShardCount shards={state.shards} onAdd={onAdd} />
            <label htmlFor="shards-why" className="font-semibold">
              Not to be found? Say where it was last seen
            </label>
            <input
              id="shards-why"
              value={why}
              maxLength={300}
              onChange={(event) => {
                setWhy(event.target.value);
                setUnsaid(false);
              }}
              aria-invalid={unsaid}
              aria-describedby="shards-unsaid"
              className="min-h-12 rounded-lg border-2 border-ink bg-field px-4"
            />
            <p id="shards-unsaid" role="alert" className="text-out">
              {unsaid ? "A shard is missing: find it, or say so here. The record will carry it." : ""}
            </p>
          </div>
        )}
        <div className="flex flex-wrap gap-2">
          <button
            type="button"
            onClick={onBack}
            className="min-h-14 rounded-lg border-2 border-ink px-5 font-semibold"
          >
            Back
          </button>
          <button
            type="submit"
            className="min-h-14 flex-1 rounded-lg bg-strong px-5 font-bold text-lg text-on-strong"
          >
            Sign off: {RESULT_WORDS[result].toLowerCase()}
          </button>
          <button
            type="button"
            onClick={() => sign("cut-off")}
            className="min-h-14 rounded-lg border-2 border-ink px-5 font-semibold"
          >
            It was cut off
          </button>
        </div>
      </form>
    </div>
  );
}
