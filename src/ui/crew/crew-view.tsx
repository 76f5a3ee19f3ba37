"use client";

import type { CrewAnswer } from "@/core";
import { t } from "@/messages/crew";
import { Link } from "../controls/link";
import { RadioCards } from "../controls/radio-cards";
import { PeopleList } from "../people/people-list";
import { CrewLog } from "./crew-log";
import { CrewPeople } from "./crew-people";
import { Devices } from "./devices";
import { SetPin } from "./set-pin";
import { Tokens } from "./tokens";
import { type CrewApi, useCrew } from "./use-crew";

const RULES = [
  { id: "free", name: t("names-are-free"), about: t("names-are-free-about") },
  { id: "known", name: t("names-must-be-known"), about: t("names-must-be-known-about") },
  { id: "proven", name: t("names-must-be-proven"), about: t("names-must-be-proven-about") },
] as const;

const PHOTOGRAPHS = [
  { id: "cleaned", name: t("cleaned-only"), about: t("cleaned-only-about") },
  { id: "originals", name: t("cleaned-and-original"), about: t("cleaned-and-original-about") },
] as const;

/** Everything of who works here: how sure names are, what each may do, which devices and programs come in. */
export function CrewView({ initial }: { initial: CrewAnswer }) {
  const api = useCrew(initial);
  const { crew, problem } = api;
  const { you } = crew;
  return (
    <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
      <p className="text-soft">
        <Link href="/setup" className="underline">
          {t("setup")}
        </Link>
      </p>
      <h1 className="font-bold text-2xl">{t("crew")}</h1>
      {problem && (
        <p role="alert" className="mt-3 max-w-3xl rounded-md border-2 border-out px-3 py-2">
          {problem}
        </p>
      )}
      <div className="mt-4 grid max-w-5xl grid-cols-[minmax(0,1fr)] gap-7">
        <NamesRule {...api} />
        {you.temporary && you.person && (
          <section role="note" className="rounded-md border-2 border-now bg-now-wash p-3">
            <p className="mb-2 font-semibold">{t("set-a-pin-of-your-own")}</p>
            <SetPin person={you.person} asksOld={false} onDone={api.refresh} />
          </section>
        )}
        <section aria-labelledby="working">
          <h2 id="working" className="mb-2 font-bold text-lg">
            {t("who-is-working")}
          </h2>
          <PeopleList />
        </section>
        <CrewPeople {...api} />
        <Devices {...api} />
        <Tokens {...api} />
        <Photographs {...api} />
        <CrewLog crew={crew} />
      </div>
    </main>
  );
}

/** How sure a name must be; what each answer asks of the crew stands with it. */
const NamesRule = ({ crew, change }: CrewApi) => (
  <RadioCards
    title={t("whose-name-stands")}
    value={crew.names}
    options={RULES}
    onPick={(rule) => change({ kind: "names", rule }, RULES.find(({ id }) => id === rule)?.name ?? "")}
  >
    {crew.names !== "proven" && t("before-names-are-proven")}
  </RadioCards>
);

/** Whether photographs are stored as the camera sent them too. */
const Photographs = ({ crew, change }: CrewApi) => (
  <RadioCards
    title={t("photographs")}
    value={crew.originals ? "originals" : "cleaned"}
    options={PHOTOGRAPHS}
    onPick={(id) =>
      change(
        { kind: "photographs", originals: id === "originals" },
        PHOTOGRAPHS.find((each) => each.id === id)?.name ?? "",
      )
    }
  >
    {t("photographs-from-now-on")}
  </RadioCards>
);
