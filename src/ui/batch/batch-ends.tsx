import { FIBRE_COLOURS, marked, type WhereTold } from "@/core";
import { t } from "@/messages/batch";
import { FIBRE_PAINT } from "../band/fibre-paint";
import { colourText } from "../words/fibre-text";
import { addressInColours } from "../words/made-at";

interface BatchEnd {
  readonly id: string;
  readonly label: string;
  readonly where: WhereTold | null;
  readonly done: boolean;
}

/** The fibre an end is of, by its place or by the number in its name: `fibre 3, green`. Null where neither says. */
function fibreOf({ label, where }: BatchEnd): number | null {
  const last = where?.place.address.at(-1);
  if (last?.kind === "fibre") return last.position;
  const said = /\bfibre (\d{1,4})\b/.exec(label)?.[1];
  return said === undefined ? null : Number(said);
}

/** Every end of a batch with the colour of its fibre: on the bench beside the plan, and on paper to tick off. */
export const BatchEnds = ({ ends }: { ends: readonly BatchEnd[] }) => (
  <section aria-labelledby="batch-ends" className="mt-6">
    <h2 id="batch-ends" className="font-bold text-lg">
      {t("its-ends")}
    </h2>
    <ol className="mt-1 grid gap-x-6 sm:grid-cols-2 lg:grid-cols-3 print:grid-cols-2">
      {ends.map((end, i) => (
        <li
          key={end.id}
          className="flex min-h-11 break-inside-avoid items-center gap-3 border-line border-b py-1"
        >
          <span className="inline-flex size-5 shrink-0 items-center justify-center border-2 border-ink font-bold text-sm">
            {end.done && <span aria-hidden="true">✓</span>}
            <span className="sr-only">{end.done ? t("signed-off") : t("to-do")}</span>
          </span>
          <span className="figures w-6 text-right text-soft">{i + 1}</span>
          <Colour fibre={fibreOf(end)} />
          <span className="min-w-0">
            <span className="block truncate font-semibold">{end.label}</span>
            {end.where && (
              <span className="block truncate text-soft text-sm">
                {[end.where.piece.name, addressInColours(end.where.place.address)].filter(Boolean).join(", ")}
              </span>
            )}
          </span>
        </li>
      ))}
    </ol>
  </section>
);

/** A fibre's colour as it looks, with its letters. */
function Colour({ fibre }: { fibre: number | null }) {
  if (fibre === null) return null;
  const mark = marked(fibre);
  const colour = FIBRE_COLOURS.find(({ code }) => code === mark.code);
  if (!colour) return null;
  const { ground, letters } = FIBRE_PAINT[colour.code];
  return (
    <span
      title={`${colour.name}: ${colourText(mark)}`}
      className="inline-flex h-7 min-w-9 shrink-0 items-center justify-center rounded border border-ink px-1 font-bold text-sm [print-color-adjust:exact]"
      style={{ background: ground, color: letters }}
    >
      {colour.code}
      {"·".repeat(Math.min(3, mark.tracers))}
    </span>
  );
}
