import type { Metadata } from "next";
import { cookies } from "next/headers";
import { personBy } from "@/core";
import { t } from "@/messages/app";
import { signers } from "@/service/ledger/ledger";
import { theStore } from "@/service/the-store";
import { aimsOf, aimsPending } from "@/service/workshop/aims";
import { AimView } from "@/ui/aim/aim-view";
import { PREFS_COOKIE, readPrefs } from "@/ui/prefs/prefs";

export const metadata: Metadata = { title: t("aim") };
export const dynamic = "force-dynamic";

interface AimProps {
  searchParams: Promise<{ person?: string | string[] }>;
}

export default async function AimPage({ searchParams }: AimProps) {
  const prefs = readPrefs((await cookies()).get(PREFS_COOKIE)?.value);
  const people = signers(theStore());
  const { person: personId } = await searchParams;
  const wanted = typeof personId === "string" ? personId : (prefs.person ?? "");
  const person = personBy(people, wanted) ?? people[0] ?? null;
  return (
    <AimView
      people={people}
      person={person}
      aims={person === null ? [] : aimsOf(theStore(), { person: person.id })}
      pending={person === null ? [] : aimsPending(theStore(), { person: person.id })}
      units={prefs.units}
    />
  );
}
