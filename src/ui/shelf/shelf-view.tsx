"use client";

import { useMemo, useState } from "react";
import { type Cable, type Entry, type Instrument, type Meter, misfits, type Style, type Tool } from "@/core";
import { t } from "@/messages/shelf";
import { ThumbTextures } from "../band/end-thumb";
import { Input } from "../controls/input";
import { Link } from "../controls/link";
import { PortFace } from "../entry-drawing/port-face";
import { CutFace } from "../sheet/cut-face";
import { cableWords, styleWords } from "../sheet/known-words";
import { coreText, lengthText } from "../words/length-text";
import { foundIn } from "./found";
import { fitText, Part, Procedures, type StyleExample } from "./procedures";

interface ShelfProps {
  readonly cables: readonly Cable[];
  readonly styles: readonly Style[];
  /** Each procedure's finished end, drawn wide, and the lengths read on it. */
  readonly examples: Readonly<Record<string, StyleExample>>;
  readonly tools: readonly Tool[];
  readonly instruments: readonly Instrument[];
  readonly meters: readonly Meter[];
  readonly entries: readonly Entry[];
}

/** Everything to be had, found by any word of it. */
export function ShelfView({
  cables,
  styles: all,
  examples,
  tools,
  instruments,
  meters,
  entries,
}: ShelfProps) {
  const [wanted, setWanted] = useState("");
  const styles = useMemo(() => foundIn(all, wanted, styleWords), [all, wanted]);
  const matching = useMemo(() => foundIn(cables, wanted, cableWords), [cables, wanted]);
  const faces = useMemo(() => foundIn(entries, wanted, ({ kind }) => `entry ${kind}`), [entries, wanted]);
  const kit = useMemo(
    () =>
      foundIn(
        [...instruments, ...meters, ...tools].map((instrument) => ({ ...instrument, about: "" })),
        wanted,
        () => "",
      ),
    [instruments, meters, tools, wanted],
  );
  const none = styles.length + matching.length + faces.length + kit.length === 0;
  return (
    <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
      <div className="flex flex-wrap items-center gap-2">
        <h1 className="mr-auto font-bold text-2xl">{t("shelf")}</h1>
        <Link
          href="/shelf/new"
          className="flex min-h-12 items-center rounded-lg bg-now px-5 font-bold text-on-now"
        >
          {t("add-a-sheet-of-your-own")}
        </Link>
      </div>
      <label className="mt-3 block max-w-xl">
        <span className="sr-only">{t("find-on-the-shelf")}</span>
        <Input
          type="search"
          value={wanted}
          onChange={(event) => setWanted(event.target.value)}
          placeholder={t("find-ribbon-2-mm-lc-calliper")}
          strong
          className="w-full"
        />
      </label>
      {none && (
        <p role="status" className="mt-6 text-lg">
          {t("nothing-on-the-shelf-has-all")}
        </p>
      )}
      <ThumbTextures />
      <Procedures styles={styles} cables={cables} examples={examples} grouped={wanted.trim() === ""} />
      <Cables cables={matching} styles={all} />
      <Entries entries={faces} />
      <Part title={t("instruments-and-tools")} count={kit.length}>
        {kit.map((tool) => (
          <li key={tool.id} className="rounded-lg border border-line bg-raised px-4 py-3">
            <span className="block font-bold text-lg first-letter:uppercase">{tool.name}</span>
            <span className="text-soft">{kitText(tool)}</span>
          </li>
        ))}
      </Part>
    </main>
  );
}

function Cables({ cables, styles }: Pick<ShelfProps, "cables" | "styles">) {
  return (
    <Part title={t("cables")} count={cables.length}>
      {cables.map((item) => (
        <Item
          key={item.id}
          href={`/shelf/cables/${item.id}`}
          name={item.name}
          about={item.about}
          face={<CutFace cable={item} />}
        >
          {item.source.kind === "own" && <span className="font-semibold">{t("your-own")} </span>}
          {item.cores.map(coreText).join(" or ")} ·{" "}
          {fitText(styles.filter((style) => misfits(style, item).length === 0).length, "style")}
        </Item>
      ))}
    </Part>
  );
}

function Entries({ entries }: Pick<ShelfProps, "entries">) {
  return (
    <Part title={t("entries")} count={entries.length}>
      {entries.map((face) => (
        <Item
          key={face.id}
          href={`/shelf/entries/${face.id}`}
          name={face.name}
          about={face.about}
          face={<PortFace entry={face} inPort={NONE} quiet room={84} />}
        >
          {face.source.kind === "own" ? (
            <span className="font-semibold">{t("your-own-revision", { revision: face.revision })}</span>
          ) : (
            <span className="representative">{t("representative")}</span>
          )}{" "}
          {t("ports", { length: face.ports.length })}
        </Item>
      ))}
    </Part>
  );
}

/** What an instrument reads, or how well a tool places. */
function kitText(tool: Instrument | Meter | Tool): string {
  if ("repeatability" in tool) {
    const upTo = tool.longest === undefined ? "" : t("up-to", { lengthText: lengthText(tool.longest, "mm") });
    return t("reads-to-repeats-to", {
      value: tool.reads === "gap" ? "gaps" : "lengths",
      lengthText: lengthText(tool.resolution, "mm"),
      lengthText2: lengthText(tool.repeatability, "mm"),
      upTo,
    });
  }
  if ("reads" in tool)
    return tool.reads === "torque"
      ? t("reads-a-torque-to-n-m", { resolution: tool.resolution })
      : t("reads-a-loss-to-db", { resolution: tool.resolution });
  const places =
    tool.error === 0 ? t("moves-no-edge") : t("places-to", { lengthText: lengthText(tool.error, "mm") });
  return tool.blade
    ? t("blade-of-places-cleaves-each-wiped", {
        places,
        positions: tool.blade.positions,
        each: tool.blade.each,
        wipeEvery: tool.blade.wipeEvery,
      })
    : places;
}

const NONE = new Map();

interface ItemProps {
  readonly href: string;
  readonly name: string;
  readonly about: string;
  readonly face?: React.ReactNode;
  readonly children: React.ReactNode;
}

function Item({ href, name, about, face, children }: ItemProps) {
  return (
    <li className="min-w-0">
      <Link
        href={href}
        className="flex h-full min-h-20 items-start gap-3 rounded-lg border border-line bg-raised px-4 py-3 hover:border-ink"
      >
        {face}
        <span className="min-w-0">
          <span className="block wrap-anywhere font-bold text-lg leading-tight">{name}</span>
          <span className="line-clamp-2 text-soft text-sm">{about}</span>
          <span className="block text-sm">{children}</span>
        </span>
      </Link>
    </li>
  );
}
