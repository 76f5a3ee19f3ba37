import type { Metadata } from "next";
import { cookies } from "next/headers";
import { aimsOf } from "@/service/aims";
import { signers } from "@/service/ledger";
import { theStore } from "@/service/the-store";
import { AimView } from "@/ui/aim/aim-view";
import { PREFS_COOKIE, readPrefs } from "@/ui/prefs/prefs";

export const metadata: Metadata = { title: "Aim" };
export const dynamic = "force-dynamic";

interface AimProps {
  searchParams: Promise<{ person?: string | string[] }>;
}

export default async function AimPage({ searchParams }: AimProps) {
  const prefs = readPrefs((await cookies()).get(PREFS_COOKIE)?.value);
  const people = signers(theStore());
  const { person: asked } = await searchParams;
  const wanted = typeof asked === "string" ? asked : prefs.name;
  const person = people.includes(wanted) ? wanted : (people[0] ?? "");
  return (
    <AimView
      people={people}
      person={person}
      aims={person === "" ? [] : aimsOf(theStore(), { person })}
      units={prefs.units}
    />
  );
}
