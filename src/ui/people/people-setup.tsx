"use client";

import { useState } from "react";
import { toast } from "sonner";
import type { Person } from "@/core";
import { t } from "@/messages/people";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { Select } from "../controls/select";
import { type PersonSaid, usePeople } from "./people-context";
import { PeopleList } from "./people-list";

/** Everybody who works here: who has the device, what they are called, and which two names are one person. */
export function PeopleSetup() {
  const { people } = usePeople();
  return (
    <section aria-labelledby="people">
      <h2 id="people" className="font-bold text-lg">
        {t("people")}
      </h2>
      <p className="mb-2 text-soft">{t("who-works-at-this-device-aims")}</p>
      <PeopleList />
      {people.length > 0 && (
        <ul className="mt-3 divide-y divide-line border-line border-y">
          {people.map((person) => (
            <PersonRow key={person.id} person={person} />
          ))}
        </ul>
      )}
    </section>
  );
}

function PersonRow({ person }: { person: Person }) {
  const { people, say } = usePeople();
  const [doing, setDoing] = useState<"name" | "merge" | null>(null);
  const [problem, setProblem] = useState("");
  const others = people.filter(({ id }) => id !== person.id);
  const keep = async (said: PersonSaid, message: string) => {
    const answer = await say(person.id, said);
    if (!answer.ok) {
      setProblem(answer.problem.message);
      return;
    }
    setDoing(null);
    setProblem("");
    toast(message);
  };
  return (
    <li className="py-2">
      <div className="flex flex-wrap items-center gap-2">
        <span className="min-w-0 flex-1 wrap-anywhere">
          {person.name}
          {person.formerly.length > 0 && (
            <span className="text-soft text-sm"> {t("also", { value: person.formerly.join(", ") })}</span>
          )}
        </span>
        <Button
          look="quiet"
          size="small"
          onClick={() => setDoing("name")}
          aria-label={t("rename-person", { name: person.name })}
        >
          {t("rename")}
        </Button>
        {others.length > 0 && (
          <Button
            look="quiet"
            size="small"
            onClick={() => setDoing("merge")}
            aria-label={t("same-as-who-else-is", { name: person.name })}
          >
            {t("same-as")}
          </Button>
        )}
      </div>
      {doing === "name" && (
        <RenameForm
          name={person.name}
          problem={problem}
          onKeep={(name) => keep({ name }, t("name-is-called-from-now-on", { name: name.trim() }))}
          onLeave={() => setDoing(null)}
        />
      )}
      {doing === "merge" && (
        <MergeForm
          name={person.name}
          others={others}
          problem={problem}
          onMerge={(other) =>
            keep({ into: other.id }, t("are-one-person-now", { name: person.name, other: other.name }))
          }
          onLeave={() => setDoing(null)}
        />
      )}
    </li>
  );
}

interface RenameFormProps {
  readonly name: string;
  readonly problem: string;
  readonly onKeep: (name: string) => void;
  readonly onLeave: () => void;
}

function RenameForm({ name, problem, onKeep, onLeave }: RenameFormProps) {
  const [text, setText] = useState(name);
  return (
    <form
      className="mt-2 flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        onKeep(text);
      }}
    >
      <Field
        title={t("called-from-now-on")}
        value={text}
        maxLength={120}
        onChange={(event) => setText(event.target.value)}
        about={t("what-they-signed-keeps-the-name")}
        problem={problem}
        className="flex-1"
      />
      <Button type="submit" look="strong">
        {t("keep")}
      </Button>
      <Button look="quiet" onClick={onLeave}>
        {t("leave-it")}
      </Button>
    </form>
  );
}

interface MergeFormProps extends Pick<RenameFormProps, "name" | "problem" | "onLeave"> {
  readonly others: readonly Person[];
  readonly onMerge: (other: Person) => void;
}

/** Picks the person this name belongs to as well. */
function MergeForm({ name, others, problem, onMerge, onLeave }: MergeFormProps) {
  const [into, setInto] = useState("");
  return (
    <form
      className="mt-2 grid gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        const other = others.find(({ id }) => id === into);
        if (other) onMerge(other);
      }}
    >
      <Select
        title={t("is-the-same-person-as", { name: name })}
        value={into}
        onPick={setInto}
        options={others.map(({ id, name }) => ({ id, name }))}
        empty={t("nobody-picked")}
      />
      <p className="text-soft text-sm">{t("both-names-stay-where-they-were")}</p>
      <p role="alert" className="text-out empty:hidden">
        {problem}
      </p>
      <div className="flex gap-2">
        <Button type="submit" look="strong" disabled={into === ""}>
          {t("they-are-one-person")}
        </Button>
        <Button look="quiet" onClick={onLeave}>
          {t("leave-it")}
        </Button>
      </div>
    </form>
  );
}
