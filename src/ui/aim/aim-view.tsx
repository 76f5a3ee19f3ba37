"use client";

import { useRouter } from "next/navigation";
import type { LengthAim, Person } from "@/core";
import { t } from "@/messages/aim";
import { Link } from "../controls/link";
import { Select } from "../controls/select";
import { figureText, toleranceOf, type Units } from "../words/length-text";
import { AimChart } from "./aim-chart";
import { biasText, sureText } from "./aim-note";
import { fitWords } from "./aim-words";

interface AimViewProps {
  readonly people: readonly Person[];
  /** Whose aim it is; null while nobody has signed anything off. */
  readonly person: Person | null;
  readonly aims: readonly LengthAim[];
  readonly units: Units;
}

/** How somebody makes each length with each tool: bias, spread, capability, and the figure to aim at where it holds. */
export function AimView({ people, person, aims, units }: AimViewProps) {
  const router = useRouter();
  return (
    <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
      <div className="flex flex-wrap items-end gap-3">
        <h1 className="mr-auto font-bold text-2xl">{t("aim")}</h1>
        <Select
          title={t("whose-hand")}
          value={person?.id ?? ""}
          options={people}
          empty={people.length === 0 ? t("nobody-yet") : undefined}
          onPick={(id) => router.push(`/ledger/aim?${new URLSearchParams({ person: id })}`)}
          className="min-w-48"
        />
        <Link
          href="/ledger"
          className="flex min-h-12 items-center rounded-lg border border-line px-4 font-semibold"
        >
          {t("ledger")}
        </Link>
      </div>
      <p className="mt-1 max-w-prose text-soft">{t("from-the-first-readings-of-the")}</p>
      {aims.length === 0 ? (
        <p className="mt-6 max-w-prose text-lg">
          {person === null
            ? t("no-end-is-on-record-yet")
            : t("fewer-than-eight-ends-of-any", { name: person.name })}{" "}
          <Link href="/" className="underline">
            {t("start-one-from-the-sheet")}
          </Link>
          .
        </p>
      ) : (
        <ul className="mt-4 grid gap-5 xl:grid-cols-2">
          {aims.map((aim) => (
            <li
              key={`${aim.style}/${aim.dimension}/${aim.tool}/${aim.nominal}`}
              className="rounded-lg border border-line bg-raised p-4"
            >
              <h2 className="font-bold text-lg leading-tight">
                {aim.name}
                <span className="block font-normal text-base text-soft">
                  {t("by", { styleName: aim.styleName, replaceAll: aim.tool.replaceAll("-", " ") })}
                </span>
              </h2>
              <AimChart aim={aim} units={units} />
              <p className="mt-1 text-lg leading-snug">
                {aim.set === null ? (
                  t("work-to-the-sheet", { figureText: figureText(aim.nominal, units, toleranceOf(aim)) })
                ) : (
                  <>
                    {t("made", { biasText: biasText(aim.bias, units) })}{" "}
                    <strong>{t("set", { figureText: figureText(aim.set, units) })}</strong>{" "}
                    <span className="text-soft text-sm">({sureText(aim.sure)})</span>
                  </>
                )}
              </p>
              <dl className="mt-1 grid grid-cols-[auto_1fr] gap-x-4 text-sm">
                <Fact name={t("bias")}>
                  {t("95-to", {
                    signed: signed(aim.bias, units),
                    signed2: signed(aim.biasLow, units),
                    signed3: signed(aim.biasHigh, units),
                  })}
                </Fact>
                <Fact name={t("repeats-to")}>
                  {t("ends-2", { figureText: figureText(Math.round(aim.spread), units), n: aim.n })}
                </Fact>
                {aim.cp && <Fact name={t("spread")}>{fitWords(aim.cp, "spread")}</Fact>}
                {aim.cpk && <Fact name={t("as-aimed")}>{fitWords(aim.cpk, "aim")}</Fact>}
              </dl>
            </li>
          ))}
        </ul>
      )}
    </main>
  );
}

const signed = (value: number, units: Units): string =>
  `${value < 0 ? "−" : "+"}${figureText(Math.round(Math.abs(value) / 10) * 10, units)}`;

function Fact({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <>
      <dt className="text-soft">{name}</dt>
      <dd className="figures">{children}</dd>
    </>
  );
}
