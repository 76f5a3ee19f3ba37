import { type Cable, cablesFor, type Misfit, proceduresFor, type SheetShelf, type Style } from "@/core";
import { t } from "@/messages/sheet";
import { coreText } from "../words/length-text";

interface MisfitPanelProps {
  readonly shelf: SheetShelf;
  readonly cable: Cable;
  readonly procedure: Style;
  readonly core: string;
  readonly reasons: readonly Misfit[];
  readonly onCable: (id: string) => void;
  readonly onStyle: (id: string) => void;
  readonly onCore: (core: string) => void;
}

/** Why a pair does not go together, and everything that would: one touch away. */
export function MisfitPanel({
  shelf,
  cable,
  procedure,
  core,
  reasons,
  onCable,
  onStyle,
  onCore,
}: MisfitPanelProps) {
  const styles = proceduresFor(shelf.styles, cable, core);
  const cables = cablesFor(shelf.cables, procedure);
  const cores = cable.cores.filter(
    (eachCore) => eachCore !== core && proceduresFor([procedure], cable, eachCore).length > 0,
  );
  return (
    <section className="mx-auto max-w-3xl px-4 py-8" aria-labelledby="misfit">
      <h2 id="misfit" className="font-bold text-2xl">
        {t("does-not-go-on", { name: procedure.name, name2: cable.name })}
      </h2>
      <ul className="mt-3 list-disc space-y-1 pl-5 text-lg">
        {reasons.map(({ about, message }) => (
          <li key={about}>{message}</li>
        ))}
      </ul>
      <h3 className="mt-6 font-semibold text-lg">{t("what-would")}</h3>
      <div className="mt-2 grid gap-2 sm:grid-cols-2">
        {cores.map((core) => (
          <Would
            key={core}
            title={`${procedure.name}, ${coreText(core)}`}
            about={t("if-the-in-hand-is", { name: cable.name, coreText: coreText(core) })}
            onTake={() => onCore(core)}
          />
        ))}
        {styles.map(({ id, name, about }) => (
          <Would key={id} title={name} about={t("on-this-cable", { about })} onTake={() => onStyle(id)} />
        ))}
        {cables
          .filter(({ id }) => id !== cable.id)
          .map(({ id, name, about }) => (
            <Would key={id} title={`${procedure.name} on ${name}`} about={about} onTake={() => onCable(id)} />
          ))}
        {cores.length + styles.length + cables.length === 0 && (
          <p className="text-soft">{t("nothing-on-the-shelf-yet-goes")}</p>
        )}
      </div>
    </section>
  );
}

function Would({ title, about, onTake }: { title: string; about: string; onTake: () => void }) {
  return (
    <button
      type="button"
      onClick={onTake}
      className="min-h-14 rounded-lg border border-line bg-raised px-4 py-2 text-left hover:border-ink"
    >
      <span className="block font-semibold">{title}</span>
      <span className="block text-sm text-soft">{about}</span>
    </button>
  );
}
