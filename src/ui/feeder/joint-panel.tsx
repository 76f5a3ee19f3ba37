"use client";

import { Trash2 } from "lucide-react";
import { type FeederJoint, type FeederPlan, readCount, tapChoices, withTap } from "@/core";
import { t } from "@/messages/feeder";
import { decimal } from "@/messages/numbers";
import { Button } from "../controls/button";
import { FigureField } from "../controls/figure-field";
import { readFigure } from "./read-figure";

interface JointPanelProps {
  readonly plan: FeederPlan;
  readonly at: number;
  readonly onChange: (plan: FeederPlan) => void;
  readonly onPick: (at: number) => void;
}

/** One joint: what each tap in the box would give there and leave for the others, and what lies before it. */
export function JointPanel({ plan, at, onChange, onPick }: JointPanelProps) {
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
      </div>
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
