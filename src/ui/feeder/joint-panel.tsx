"use client";

import { Trash2 } from "lucide-react";
import {
  type FeederAnswer,
  type FeederJoint,
  type FeederPlan,
  longerDrop,
  oneMoreJoint,
  readCount,
  tapChoices,
  withTap,
} from "@/core";
import { t } from "@/messages/feeder";
import { decimal } from "@/messages/numbers";
import { Button } from "../controls/button";
import { FigureField } from "../controls/figure-field";
import { Select } from "../controls/select";
import { LocalTime } from "../words/local-time";
import { readFigure } from "./read-figure";

interface JointPanelProps {
  readonly plan: FeederPlan;
  readonly at: number;
  readonly closures: readonly { readonly id: string; readonly name: string }[];
  /** Powers read at this joint's outputs. */
  readonly readings: FeederAnswer["readings"];
  readonly onChange: (plan: FeederPlan) => void;
  readonly onPick: (at: number) => void;
}

/** One joint: what each tap in the box would give there and leave for the others, and what lies before it. */
export function JointPanel({ plan, at, closures, readings, onChange, onPick }: JointPanelProps) {
  const joint = plan.joints[at];
  if (!joint) return null;
  const put = (changed: Partial<FeederJoint>) => {
    onChange({ ...plan, joints: plan.joints.map((each, i) => (i === at ? { ...each, ...changed } : each)) });
    return true;
  };
  return (
    <section aria-labelledby="joint" className="min-w-0">
      <h2 id="joint" className="font-bold text-lg">
        {t("joint-number", { joint: at + 1 })}{" "}
        <span className="font-normal text-soft">{t("what-each-tap-would-give")}</span>
      </h2>
      <TapTable plan={plan} at={at} onTap={(tapPct) => onChange(withTap(plan, at, tapPct))} />
      <Costs plan={plan} at={at} />
      <PortReadings readings={readings} />
      <JointFields joint={joint} closures={closures} put={put} />
      {plan.joints.length > 1 && (
        <Button
          look="quiet"
          className="no-print mt-2"
          onClick={() => {
            onChange({ ...plan, joints: plan.joints.filter((_, i) => i !== at) });
            onPick(Math.max(0, at - 1));
          }}
        >
          <Trash2 aria-hidden="true" className="size-4" /> {t("take-this-joint-out")}
        </Button>
      )}
    </section>
  );
}

interface JointFieldsProps extends Pick<JointPanelProps, "closures"> {
  readonly joint: FeederJoint;
  readonly put: (changed: Partial<FeederJoint>) => boolean;
}

/** Fields of a joint: the way to it, its drops, its closure. */
const JointFields = ({ joint, closures, put }: JointFieldsProps) => (
  <div className="no-print mt-3 grid grid-cols-2 items-end gap-3 sm:grid-cols-5">
    <FigureField
      title={t("its-name")}
      value={joint.name}
      text={String}
      read={(text) => (text.length <= 60 ? text.trim() : null)}
      asks={t("at-most-60-letters")}
      onTake={(name) => put({ name })}
    />
    <FigureField
      title={t("metres-before-it")}
      value={joint.metres}
      text={(value) => decimal(String(value))}
      read={(text) => readFigure(text, 0, 200_000)}
      asks={t("metres-from-0")}
      onTake={(metres) => put({ metres })}
    />
    <FigureField
      title={t("splices-before-it")}
      value={joint.splices}
      text={String}
      read={(text) => readCount(text, 100)}
      asks={t("a-whole-number-0-to-100")}
      onTake={(splices) => put({ splices })}
    />
    <FigureField
      title={t("connectors-before-it")}
      value={joint.connectors}
      text={String}
      read={(text) => readCount(text, 100)}
      asks={t("a-whole-number-0-to-100")}
      onTake={(connectors) => put({ connectors })}
    />
    <FigureField
      title={t("drops-behind-it")}
      value={joint.drops}
      text={String}
      read={(text) => readCount(text, 64) || null}
      asks={t("a-whole-number-1-to-64")}
      onTake={(drops) => put({ drops })}
    />
    <FigureField
      title={t("metres-of-its-drops")}
      value={joint.dropMetres}
      text={(value) => decimal(String(value))}
      read={(text) => readFigure(text, 0, 20_000)}
      asks={t("metres-from-0")}
      onTake={(dropMetres) => put({ dropMetres })}
    />
    <FigureField
      title={t("outputs-feed")}
      value={joint.feeds.join(", ")}
      text={String}
      read={(text) => (namesIn(text) ? text : null)}
      asks={t("names-with-commas", { most: joint.drops })}
      onTake={(text) => put({ feeds: namesIn(text) ?? [] })}
    />
    {closures.length > 0 && (
      <Select
        title={t("made-in-closure")}
        value={joint.closure ?? NO_CLOSURE}
        options={[{ id: NO_CLOSURE, name: t("no-closure") }, ...closures]}
        onPick={(id) => put({ closure: id === NO_CLOSURE ? null : id })}
        className="min-w-0"
      />
    )}
  </div>
);

const NO_CLOSURE = "none";

/** Names typed with commas between, in the order of the outputs; null where one is too long. */
function namesIn(text: string): string[] | null {
  const names = text.split(",").map((name) => name.trim());
  while (names.at(-1) === "") names.pop();
  return names.length <= 64 && names.every((name) => name.length <= 60) ? names : null;
}

/** A drop cable is priced by so many metres more. */
const LONGER_METRES = 2;

/** Cost of one more joint like this one, and of a longer drop. */
function Costs({ plan, at }: Pick<JointPanelProps, "plan" | "at">) {
  const joint = oneMoreJoint(plan, at);
  const drop = longerDrop(plan, at, LONGER_METRES);
  const isLast = at === plan.joints.length - 1;
  return (
    <p className="mt-2 text-soft">
      {!isLast &&
        `${t("one-more-joint-costs", { db: decimal(joint.behind.toFixed(2)), least: decimal(joint.least.toFixed(1)) })} `}
      {t("longer-drop-costs", { metres: LONGER_METRES, db: decimal(drop.own.toFixed(4)) })}
    </p>
  );
}

/** Powers read at the joint's outputs, each with when. */
function PortReadings({ readings }: Pick<JointPanelProps, "readings">) {
  return (
    <ul className="mt-2 empty:hidden">
      {readings.map(({ label, dBm, wavelength, at }) => (
        <li key={label} className="figures">
          {t("power-read-at", { label, dBm: decimal(dBm.toFixed(2)), wavelength })} <LocalTime iso={at} />
        </li>
      ))}
    </ul>
  );
}

interface TapTableProps extends Pick<JointPanelProps, "plan" | "at"> {
  readonly onTap: (tapPct: number) => void;
}

function TapTable({ plan, at, onTap }: TapTableProps) {
  const choices = tapChoices(plan, at);
  const current = plan.joints[at]?.tapPct;
  const cell = (value: number | null) => (
    <span className={`figures ${value !== null && value < plan.margin ? "text-out" : ""}`}>
      {value === null ? "–" : decimal(value.toFixed(1))}
    </span>
  );
  const rows = [
    [t("this-joints-drops"), "own"],
    [t("least-of-those-after"), "after"],
    [t("least-of-all"), "all"],
  ] as const;
  return (
    <div className="overflow-x-auto">
      <table className="mt-1 border-collapse text-center">
        <thead>
          <tr>
            <th scope="col" className="pr-4 text-left font-normal text-soft">
              {t("tap")}
            </th>
            {choices.map(({ tapPct }) => (
              <th key={tapPct} scope="col" className="px-1 py-1">
                <Button
                  size="small"
                  look={tapPct === current ? "strong" : "plain"}
                  aria-pressed={tapPct === current}
                  onClick={() => onTap(tapPct)}
                >
                  {decimal(String(tapPct))} %
                </Button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, key]) => (
            <tr key={key}>
              <th scope="row" className="pr-4 text-left font-normal">
                {name}
              </th>
              {choices.map((choice) => (
                <td key={choice.tapPct} className={choice.tapPct === current ? "bg-now-wash font-bold" : ""}>
                  {cell(choice[key])}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
