import { type Cable, misfits, type Style } from "@/core";
import { t } from "@/messages/shelf";
import { EndThumb } from "../band/end-thumb";
import type { Thumb } from "../band/thumb";
import { Link } from "../controls/link";
import { usePrefs } from "../prefs/prefs-context";
import { figureText } from "../words/length-text";

/** A procedure's finished end on a cable it goes on, with the lengths read on it. */
export interface StyleExample {
  readonly thumb: Thumb;
  readonly lengths: readonly {
    readonly name: string;
    /** Micrometres. */
    readonly nominal: number;
  }[];
  readonly representative: boolean;
}

interface ProceduresProps {
  readonly styles: readonly Style[];
  readonly cables: readonly Cable[];
  readonly examples: Readonly<Record<string, StyleExample>>;
  /** By what is done with them; else one list in the order found. */
  readonly grouped: boolean;
}

/** Groups of the shelf by the work, with the families each takes. */
const GROUPS: readonly { readonly name: () => string; readonly takes: RegExp }[] = [
  { name: () => t("group-stub"), takes: /^(stub-|guided-)/ },
  { name: () => t("group-polish"), takes: /^adhesive-/ },
  { name: () => t("group-fusion"), takes: /^fusion-/ },
  { name: () => t("group-drop-and-cord"), takes: /^(drop-|cord-)/ },
  { name: () => t("group-open"), takes: /^(breakout-|central-|ribbon-)/ },
  { name: () => t("group-closure"), takes: /^closure-/ },
  { name: () => t("group-harness"), takes: /^backshell/ },
  { name: () => t("group-other"), takes: /./ },
];

/** The procedures of the shelf, each with its finished end drawn and its lengths at a glance. */
export function Procedures({ styles, cables, examples, grouped }: ProceduresProps) {
  const items = (some: readonly Style[]) =>
    some.map((style) => (
      <ProcedureItem key={style.id} style={style} cables={cables} example={examples[style.id]} />
    ));
  if (!grouped)
    return (
      <Part title={t("styles-and-their-procedures")} count={styles.length}>
        {items(styles)}
      </Part>
    );
  const groupOf = ({ family }: Style) => GROUPS.findIndex(({ takes }) => takes.test(family));
  return GROUPS.map(({ name }, group) => {
    const own = styles.filter((style) => groupOf(style) === group);
    return (
      <Part key={name()} title={name()} count={own.length}>
        {items(own)}
      </Part>
    );
  });
}

interface ProcedureItemProps {
  readonly style: Style;
  readonly cables: readonly Cable[];
  readonly example: StyleExample | undefined;
}

function ProcedureItem({ style, cables, example }: ProcedureItemProps) {
  const { prefs } = usePrefs();
  const units = prefs.units === "in" ? "in" : "mm";
  const fits = cables.filter((cable) => misfits(style, cable).length === 0).length;
  return (
    <li className="min-w-0">
      <Link
        href={`/shelf/procedures/${style.id}`}
        className="flex h-full flex-col gap-1.5 rounded-lg border border-line bg-raised px-4 py-3 hover:border-ink"
      >
        <span className="flex items-baseline gap-2">
          <span className="min-w-0 wrap-anywhere font-bold text-lg leading-tight">{style.name}</span>
          {style.source.kind === "own" && (
            <span className="ml-auto shrink-0 font-semibold text-sm">
              {t("your-own-revision", { revision: style.revision })}
            </span>
          )}
        </span>
        <EndThumb thumb={example?.thumb} cropped className="h-20 w-full" />
        {example && example.lengths.length > 0 && (
          <span className="flex flex-wrap gap-x-4 gap-y-0.5">
            {example.lengths.map(({ name, nominal }) => (
              <span key={name} className="text-sm">
                <span
                  className={`figures font-bold text-base ${example.representative ? "representative" : ""}`}
                >
                  {figureText(nominal, units)}
                </span>{" "}
                <span className="text-soft">{name}</span>
              </span>
            ))}
          </span>
        )}
        <span className="mt-auto block text-soft text-sm">
          {style.appliesTo.cores.join(", ")} · {fitText(fits, "cable")}
        </span>
      </Link>
    </li>
  );
}

/** Number of cables or connectors that something goes with, in words. */
export const fitText = (count: number, noun: string): string =>
  count === 1 ? t("goes-with-1", { what: noun }) : t("goes-with-s", { count, what: noun });

interface PartProps {
  readonly title: string;
  readonly count: number;
  readonly children: React.ReactNode;
}

/** A part of the shelf under its heading; none where it is empty. */
export function Part({ title, count, children }: PartProps) {
  if (count === 0) return null;
  return (
    <section className="mt-6" aria-label={title}>
      <h2 className="mb-2 font-bold text-lg">
        {title} <span className="font-normal text-soft">{count}</span>
      </h2>
      <ul className="grid grid-cols-[minmax(0,1fr)] gap-2 md:grid-cols-2 xl:grid-cols-3">{children}</ul>
    </section>
  );
}
