"use client";

import { ChevronDown, Trash2 } from "lucide-react";
import { Popover } from "radix-ui";
import { type FormEvent, useState } from "react";
import { RESULTS } from "@/core";
import { t } from "@/messages/ledger";
import { Button } from "../controls/button";
import { IconButton } from "../controls/icon-button";
import { Input } from "../controls/input";
import { Link } from "../controls/link";
import { Select } from "../controls/select";
import { RESULT_WORDS } from "../words/verdict-words";
import { useSavedFilters } from "./use-saved-filters";

type Query = Readonly<Record<string, string>>;

const LEDGER = "/ledger";

interface FilterMenuProps {
  readonly query: Query;
  readonly styles: readonly { readonly style: string; readonly styleName: string }[];
  /** Today in UTC, `2026-11-30`. */
  readonly today: string;
  /** Address of the page that is filtered. */
  readonly path?: string;
}

/** The filter of the ledger: folded into a line that says what is shown, with presets and filters saved on this device. */
export function FilterMenu({ query, styles, today, path = LEDGER }: FilterMenuProps) {
  const { purpose, ...filter } = query;
  return (
    <Popover.Root>
      <Popover.Trigger className="inline-flex min-h-12 min-w-0 items-center gap-1.5 underline decoration-dotted underline-offset-4">
        <span className="truncate">{filterText(filter, styles)}</span>
        <ChevronDown aria-hidden="true" className="size-4 shrink-0" />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={t("filter")}
          align="start"
          sideOffset={4}
          collisionPadding={12}
          className="z-30 max-h-[calc(100dvh-2rem)] w-[min(34rem,calc(100vw-1.5rem))] overflow-y-auto rounded-lg border-2 border-ink bg-raised p-4 shadow-lg"
        >
          <Presets purpose={purpose} today={today} path={path} />
          <FilterForm query={query} styles={styles} path={path} />
          <SavedFilters query={query} path={path} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** The filter in words. */
function filterText(filter: Query, styles: FilterMenuProps["styles"]): string {
  const { find, from, to, result, style } = filter;
  const parts = [
    find ? t("filter-find", { words: find }) : null,
    from && to && from === to ? t("filter-day", { day: from }) : null,
    from && from !== to ? t("filter-from", { day: from }) : null,
    to && from !== to ? t("filter-to", { day: to }) : null,
    RESULTS.flatMap((id) => (id === result ? RESULT_WORDS[id] : []))[0] ?? null,
    style ? (styles.find((each) => each.style === style)?.styleName ?? style) : null,
  ].filter((part) => part !== null);
  return parts.length === 0 ? t("all-results-all-connectors") : parts.join(" · ");
}

const PRESET_LOOK = "inline-flex min-h-11 items-center rounded-full border border-line px-4 hover:border-ink";

interface PresetsProps extends Required<Pick<FilterMenuProps, "today" | "path">> {
  readonly purpose: string | undefined;
}

function Presets({ purpose, today, path }: PresetsProps) {
  const back = (days: number) => new Date(Date.parse(today) - days * 86_400_000).toISOString().slice(0, 10);
  const presets: readonly (readonly [string, Query])[] = [
    [t("preset-all"), {}],
    [t("preset-today"), { from: today, to: today }],
    [t("preset-7-days"), { from: back(6) }],
    [t("preset-month"), { from: `${today.slice(0, 7)}-01` }],
    [t("preset-not-in"), { result: "out" }],
    [t("preset-cut-off"), { result: "cut-off" }],
  ];
  return (
    <nav aria-label={t("presets")} className="mb-3 flex flex-wrap gap-2">
      {presets.map(([name, filter]) => (
        <Link
          key={name}
          href={hrefOf({ ...(purpose ? { purpose } : {}), ...filter }, path)}
          className={PRESET_LOOK}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}

/** The address of a page under a filter: of the ledger, where no other is named. */
export const hrefOf = (query: Query, path = LEDGER): string => {
  const search = new URLSearchParams(query).toString();
  return search === "" ? path : `${path}?${search}`;
};

function FilterForm({ query, styles, path }: Pick<FilterMenuProps, "query" | "styles" | "path">) {
  const field = "min-h-12 w-full rounded-lg border border-line bg-ground px-3 text-base text-ink";
  return (
    <search>
      <form className="grid grid-cols-2 gap-3" action={path}>
        {query.purpose && <input type="hidden" name="purpose" value={query.purpose} />}
        <label className="col-span-2 grid text-sm text-soft">
          {t("find")}
          <input
            type="search"
            name="find"
            defaultValue={query.find ?? ""}
            maxLength={200}
            placeholder={t("job-end-person-style")}
            className={`${field} placeholder:text-soft`}
          />
        </label>
        {(["from", "to"] as const).map((name) => (
          <label key={name} className="grid min-w-0 text-sm text-soft">
            {name === "from" ? t("from") : t("to")}
            <input type="date" name={name} defaultValue={query[name] ?? ""} className={field} />
          </label>
        ))}
        <Select
          title={t("result")}
          small
          name={t("result-2")}
          start={query.result ?? ""}
          empty={t("any")}
          options={RESULTS.map((id) => ({ id, name: RESULT_WORDS[id] }))}
        />
        <Select
          title={t("style")}
          small
          name={t("style-2")}
          start={query.style ?? ""}
          empty={t("any")}
          options={styles.map(({ style, styleName }) => ({ id: style, name: styleName }))}
        />
        <Button type="submit" look="strong" className="col-span-2">
          {t("show")}
        </Button>
      </form>
    </search>
  );
}

function SavedFilters({ query, path }: Required<Pick<FilterMenuProps, "query" | "path">>) {
  const { filters, save, remove } = useSavedFilters();
  const [name, setName] = useState("");
  const keep = (event: FormEvent) => {
    event.preventDefault();
    if (name.trim() === "") return;
    save({ name: name.trim(), query });
    setName("");
  };
  return (
    <section aria-label={t("saved-filters")} className="mt-4 border-line border-t pt-3">
      <h2 className="font-bold">{t("saved-filters")}</h2>
      <ul className="divide-y divide-line empty:hidden">
        {filters.map(({ name: saved, query: to }) => (
          <li key={saved} className="flex items-center gap-2">
            <Link
              href={hrefOf(to, path)}
              className="min-h-11 min-w-0 flex-1 content-center truncate underline"
            >
              {saved}
            </Link>
            <IconButton name={t("remove-filter", { name: saved })} onClick={() => remove(saved)}>
              <Trash2 aria-hidden="true" className="size-4" />
            </IconButton>
          </li>
        ))}
      </ul>
      <form onSubmit={keep} className="mt-2 flex flex-wrap items-end gap-2">
        <label className="grid min-w-0 flex-1 text-sm text-soft">
          {t("save-this-filter-as")}
          <Input value={name} maxLength={60} onChange={({ target }) => setName(target.value)} />
        </label>
        <Button type="submit" disabled={name.trim() === ""}>
          {t("save")}
        </Button>
      </form>
    </section>
  );
}
