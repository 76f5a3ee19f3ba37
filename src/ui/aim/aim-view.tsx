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
  /** Lengths with fewer ends than it takes. */
  readonly pending: readonly {
    readonly style: string;
    readonly dimension: string;
    readonly tool: string;
    readonly nominal: number;
    readonly styleName: string;
    readonly name: string;
    readonly n: number;
    readonly needed: number;
  }[];
  readonly units: Units;
}

/** How somebody makes each length with each tool: bias, spread, capability, and the figure to aim at where it holds. */
export function AimView({ people, person, aims, pending, units }: AimViewProps) {
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
        <ul className="mt-4 divide-y divide-line border-line border-y">
          {aims.map((aim) => (
            <AimItem
              key={`${aim.style}/${aim.dimension}/${aim.tool}/${aim.nominal}`}
              aim={aim}
              units={units}
            />
          ))}
        </ul>
      )}
      <Pending pending={pending} />
    </main>
  );
}

interface AimItemProps {
  readonly aim: LengthAim;
  readonly units: Units;
}

/** One length by one tool: its chart across the page, and beside it what to set. */
function AimItem({ aim, units }: AimItemProps) {
  return (
    <li className="grid grid-cols-[minmax(0,1fr)] gap-x-6 gap-y-2 py-4 lg:grid-cols-[minmax(0,1fr)_21rem]">
      <AimChart aim={aim} units={units} />
      <div>
        <h2 className="font-bold text-lg leading-tight">
          {aim.name}
          <span className="block font-normal text-base text-soft">
            {t("by", { styleName: aim.styleName, replaceAll: aim.tool.replaceAll("-", " ") })}
          </span>
        </h2>
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
      </div>
    </li>
  );
}

/** Lengths with too few ends to say anything of: how many there are, and how many it takes. */
function Pending({ pending }: Pick<AimViewProps, "pending">) {
  if (pending.length === 0) return null;
  return (
    <section className="mt-6">
      <h2 className="font-bold text-lg">{t("more-ends-needed")}</h2>
      <ul className="mt-2 grid gap-x-8 gap-y-2 sm:grid-cols-2 xl:grid-cols-3">
        {pending.map(({ style, dimension, tool, nominal, styleName, name, n, needed }) => (
          <li key={`${style}/${dimension}/${tool}/${nominal}`} className="flex items-center gap-3">
            <span aria-hidden="true" className="h-2.5 w-20 shrink-0 rounded-full bg-line">
              <span
                className="block h-full rounded-full bg-strong"
                style={{ width: `${(n / needed) * 100}%` }}
              />
            </span>
            <span className="min-w-0">
              {t("ends-of-eight", { name, tool: tool.replaceAll("-", " "), styleName, n, needed })}
            </span>
          </li>
        ))}
      </ul>
    </section>
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
