"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { toast } from "sonner";
import { z } from "zod";
import { check, type JobPlan, problemOf, zJobPlan, type zJobsAnswer } from "@/core";
import { t } from "@/messages/jobs";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { FileButton } from "../controls/file-button";
import { Link } from "../controls/link";
import { PageLink } from "../controls/page-link";
import { Select } from "../controls/select";
import { useSubmit } from "../controls/use-submit";
import { call } from "../http/http";
import { ProgressLine } from "../plan/standing";
import { usePrefs } from "../prefs/prefs-context";
import { LocalTime } from "../words/local-time";
import { FindForm } from "./find-form";

interface JobsHomeProps extends z.output<typeof zJobsAnswer> {
  /** What was looked for, and whether it is not the newest page. */
  readonly words: string;
  readonly further: boolean;
}

/** Every job, newest first, and how one is begun. */
export function JobsHome({ rows, next, words, further }: JobsHomeProps) {
  return (
    <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="mr-auto font-bold text-2xl">{t("jobs")}</h1>
        <OpenPlan />
        <Button asChild>
          <Link href="/feeder">{t("plan-a-feeder")}</Link>
        </Button>
      </div>
      <p className="max-w-prose text-soft">{t("the-pieces-of-cable-a-site")}</p>
      <NewJob first={rows.length === 0 && !further && words === ""} jobs={rows} />
      {(rows.length > 6 || words !== "") && <FindForm action="/jobs" title={t("find-a-job")} words={words} />}
      {words !== "" && rows.length === 0 && (
        <p role="status" className="mt-3">
          {t("no-job-has-these-words-in")}
        </p>
      )}
      <ul className="mt-4 grid gap-2 lg:grid-cols-2">
        {rows.map(({ id, name, createdAt, pieces, progress }) => (
          <li key={id} className="min-w-0">
            <Link
              href={`/jobs/${id}`}
              className="block min-h-16 rounded-lg border border-line bg-raised px-4 py-2 hover:border-ink"
            >
              <span className="block truncate font-bold text-lg">{name}</span>
              <span className="block truncate text-soft">
                {t("other-begun", { pieces })} <LocalTime iso={createdAt} />
              </span>
              <ProgressLine progress={progress} />
            </Link>
          </li>
        ))}
      </ul>
      {(further || next) && (
        <nav aria-label={t("pages")} className="mt-4 flex items-center gap-3">
          {further && <PageLink href="/jobs" name={t("newest")} />}
          {next && (
            <PageLink
              href={`/jobs?${new URLSearchParams({ before: next, ...(words ? { words } : {}) })}`}
              name={t("older")}
            />
          )}
        </nav>
      )}
    </main>
  );
}

/** The plan a file holds, or what is wrong with it. */
function planIn(text: string): JobPlan | string {
  try {
    return check(zJobPlan, JSON.parse(text));
  } catch (error) {
    return problemOf(error)?.message ?? t("this-file-is-no-json");
  }
}

/** Begins a job from a plan saved as a file. */
function OpenPlan() {
  const { prefs } = usePrefs();
  const router = useRouter();
  const open = async (file: File) => {
    const plan = planIn(await file.text());
    if (typeof plan === "string") return void toast.error(plan, { duration: 9_000 });
    const answer = await call("post /plans", { body: { plan: z.encode(zJobPlan, plan), by: prefs.person } });
    if (!answer.ok) return void toast.error(answer.problem.message, { duration: 9_000 });
    router.push(`/jobs/${answer.value.id}`);
  };
  return <FileButton name={t("open-a-plan")} accept=".json" onFile={open} />;
}

interface NewJobProps {
  readonly first: boolean;
  /** Those it may begin like. */
  readonly jobs: readonly { readonly id: string; readonly name: string; readonly pieces: number }[];
}

/** Begins a job: empty, or with the pieces of a usual site. */
function NewJob({ first, jobs }: NewJobProps) {
  const [name, setName] = useState("");
  const [like, setLike] = useState("");
  const planned = jobs.filter(({ pieces }) => pieces > 0);
  const { prefs } = usePrefs();
  const router = useRouter();
  const { problem, submit, clear } = useSubmit(async () => {
    if (name.trim() === "") return t("a-job-has-a-name-the");
    const answer = await call("post /jobs", {
      body: {
        name,
        by: prefs.person,
        ...(like === "" ? {} : { like }),
      },
    });
    if (!answer.ok) return answer.problem.message;
    router.push(`/jobs/${answer.value.id}`);
    return "";
  });
  return (
    <form onSubmit={submit} className="mt-4 flex max-w-3xl flex-wrap items-end gap-2">
      <Field
        title={first ? t("no-job-yet-what-is-the") : t("new-job")}
        value={name}
        maxLength={200}
        problem={problem}
        onChange={({ target }) => {
          setName(target.value);
          clear();
        }}
        className="min-w-0 flex-1 basis-56"
      />
      {planned.length > 0 && (
        <Select
          title={t("its-pieces")}
          value={like}
          empty={t("none-yet")}
          options={planned.map(({ id, name: title }) => ({ id, name: `like ${title}` }))}
          onPick={setLike}
          className="min-w-0 flex-1 basis-48"
        />
      )}
      <Button look={first ? "next" : "strong"} type="submit">
        {t("begin")}
      </Button>
    </form>
  );
}
