"use client";

import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { v4 as uuid } from "uuid";
import { type FeederAnswer, jointLights, leastMargin, NEW_FEEDER } from "@/core";
import { t } from "@/messages/jobs";
import { decimal } from "@/messages/numbers";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { useSubmit } from "../controls/use-submit";
import { call } from "../http/http";
import { usePrefs } from "../prefs/prefs-context";
import { PlanItem } from "./plan-item";
import { useTakeOff } from "./use-take-off";

interface FeedersProps {
  readonly job: string;
  readonly feeders: readonly Pick<FeederAnswer, "id" | "revision" | "plan">[];
}

/** The feeders of a job: cables with a tap at each of their joints. */
export function Feeders({ job, feeders }: FeedersProps) {
  return (
    <section aria-labelledby="feeders" className="mt-8">
      <h2 id="feeders" className="font-bold text-lg">
        {t("feeders")}
      </h2>
      {feeders.length === 0 && <p className="text-soft">{t("none-yet-a-feeder-is")}</p>}
      <ul className="divide-y divide-line border-line border-y empty:hidden">
        {feeders.map((feeder) => (
          <FeederRow key={feeder.id} job={job} feeder={feeder} />
        ))}
      </ul>
      <AddFeeder job={job} />
    </section>
  );
}

interface FeederRowProps {
  readonly job: string;
  readonly feeder: FeedersProps["feeders"][number];
}

function FeederRow({ job, feeder: { id, revision, plan } }: FeederRowProps) {
  const { prefs } = usePrefs();
  const takeOff = useTakeOff<typeof plan>((basis, next) =>
    call("post /feeders/{id}", { params: { id }, body: { basis, plan: next, by: prefs.person } }),
  );
  const { margin } = leastMargin(jointLights(plan));
  const drops = plan.joints.reduce((sum, joint) => sum + joint.drops, 0);
  return (
    <PlanItem
      href={`/jobs/${job}/feeders/${id}`}
      name={plan.name || t("feeder")}
      onTakeOff={() => takeOff(revision, plan)}
    >
      {t("joints-drops-and-margin", {
        joints: plan.joints.length,
        drops,
        margin: decimal(margin.toFixed(1)),
      })}
    </PlanItem>
  );
}

/** Adds a feeder with one joint, and goes to it. Sent again after no answer, it is the same feeder. */
function AddFeeder({ job }: Pick<FeedersProps, "job">) {
  const { prefs } = usePrefs();
  const router = useRouter();
  const id = useRef(uuid());
  const [name, setName] = useState("");
  const { problem, submit, clear } = useSubmit(async () => {
    if (name.trim() === "") return t("a-feeder-has-a-name");
    const answer = await call("post /jobs/{id}/feeders", {
      params: { id: job },
      body: { id: id.current, plan: { ...NEW_FEEDER, name: name.trim() }, by: prefs.person },
    });
    if (answer.ok) {
      router.push(`/jobs/${job}/feeders/${answer.value.id}`);
      return "";
    }
    if (answer.problem.code !== "offline") id.current = uuid();
    return answer.problem.message;
  });
  return (
    <form onSubmit={submit} className="no-print mt-3 flex max-w-3xl flex-wrap items-end gap-2">
      <Field
        title={t("new-feeder")}
        value={name}
        maxLength={60}
        placeholder={t("hill-feeder")}
        problem={problem}
        onChange={({ target }) => {
          setName(target.value);
          clear();
        }}
        className="min-w-0 flex-1 basis-56"
      />
      <Button type="submit">{t("add-feeder")}</Button>
    </form>
  );
}
