"use client";

import { useRef, useState } from "react";
import {
  type ClosureAtWork,
  type ClosureEvent,
  colourTyped,
  fibreEndText,
  fibreShown,
  isSplicerLine,
  PIGTAIL,
  parseSplicerLine,
  type SpliceState,
  type Splicing,
  splicedCable,
  splicedIn,
  splicingFor,
} from "@/core";
import { t } from "@/messages/closure-work";
import { decimal } from "@/messages/numbers";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { Select } from "../controls/select";
import { useSubmit } from "../controls/use-submit";
import { textKept, useKept } from "../words/use-kept";
import { SimulatedSplicer } from "./simulated-splicer";
import { SplicingSteps } from "./splicing-steps";

interface TrySpliceProps {
  readonly state: SpliceState;
  readonly number: number;
  readonly at: ClosureAtWork;
  readonly splicing: readonly Splicing[];
  readonly happen: (event: ClosureEvent) => Promise<string>;
  /** Whether the first field is focused at once. */
  readonly goesOn: boolean;
}

/** One try at a splice: the steps of its procedure, and what is confirmed and read. */
export function TrySplice({ splicing, ...props }: TrySpliceProps) {
  const { count } = props.state.splice;
  const fitting = splicingFor(splicing, count);
  const [preferred, setPreferred] = useKept<string>(
    `splicing/${count > 1 ? "ribbon" : "single"}`,
    "",
    textKept,
  );
  const procedure = fitting.find(({ id }) => id === preferred) ?? fitting[0];
  return (
    <>
      {procedure && (
        <div className="no-print grid gap-2">
          {fitting.length > 1 && (
            <Select
              title={t("spliced-by")}
              value={procedure.id}
              options={fitting}
              onPick={setPreferred}
              className="max-w-sm"
            />
          )}
          <SplicingSteps key={procedure.id} procedure={procedure} />
        </div>
      )}
      <SpliceForm {...props} procedure={procedure} />
    </>
  );
}

interface SpliceFormProps extends Omit<TrySpliceProps, "splicing"> {
  readonly procedure: Splicing | undefined;
}

/** Both fibres' colours as they are seen, and what the splicer estimates: typed, or as the line it sends. */
function SpliceForm({ state: { splice }, number, at, happen, goesOn, procedure }: SpliceFormProps) {
  const estimate = useRef<HTMLInputElement>(null);
  const [simulated, setSimulated] = useState("");
  const { problem, busy, submit, clear } = useSubmit(async (sent) => {
    const values = new FormData(sent);
    const read = readEstimate(String(values.get("estimate") ?? ""), simulated);
    if ("message" in read) return read.message;
    const colour = (side: "a" | "b") =>
      splice[side].cable === PIGTAIL || !splicedCable(at.cables, splice[side].cable)
        ? null
        : String(values.get(side) ?? "")
            .trim()
            .toUpperCase();
    return happen({
      kind: "splice",
      splice: splice.id,
      colours: { a: colour("a"), b: colour("b") },
      ...read,
      ...(procedure && { procedure: { id: procedure.id, revision: procedure.revision } }),
    });
  });
  return (
    <form onSubmit={submit} onChange={clear} className="grid gap-2">
      {(["a", "b"] as const).map((side) => {
        const cable = splicedCable(splicedIn(at), splice[side].cable);
        if (!cable || cable.device) return null;
        return (
          <Field
            key={side}
            name={side}
            title={t("colour-seen-on", { end: fibreEndText(splicedIn(at), splice[side]) })}
            maxLength={4}
            required
            autoFocus={goesOn && side === "a"}
            placeholder={exampleOf(colourTyped(fibreShown(cable.cable, splice[side].fibre)))}
            autoCapitalize="characters"
          />
        );
      })}
      <Field
        ref={estimate}
        name="estimate"
        title={t("estimate")}
        inputMode="decimal"
        required
        maxLength={120}
        placeholder={t("estimate-example")}
        problem={problem}
      />
      <p className="text-soft text-sm">
        {t("at-most-on-this-closure", { limit: decimal(String(at.plan.limitDb)) })}{" "}
        {t("or-the-splicers-line")}
      </p>
      <Button type="submit" look="next" size="huge" disabled={busy}>
        {t("keep-splice", { number })}
      </Button>
      <SimulatedSplicer
        number={number}
        onSend={(line) => {
          if (estimate.current) estimate.current.value = line;
          setSimulated(line);
          clear();
        }}
      />
    </form>
  );
}

/** An example of the form a colour is typed in, which never gives the answer away: with a tracer only where there is one. */
const exampleOf = (colour: string): string => (colour.includes("+") ? "BL+1" : "BL");

type Estimate = Pick<Extract<ClosureEvent, { kind: "splice" }>, "estimateDb" | "splicer">;

/** What was typed or sent as the estimate, or why it cannot be read. */
function readEstimate(text: string, simulated: string): Estimate | { readonly message: string } {
  if (!isSplicerLine(text)) {
    const number = text.trim().replace(",", ".");
    return { estimateDb: number === "" ? Number.NaN : Number(number) };
  }
  const read = parseSplicerLine(text);
  if (!read.ok) return { message: read.problem.message };
  const { estimateDb, ...splicer } = read.value;
  return { estimateDb, splicer: { ...splicer, simulated: text === simulated } };
}
