import { misfits } from "@/core";
import { t } from "@/messages/sheet";
import { Link } from "../controls/link";
import { Begin } from "./begin";
import { cableWords, styleWords } from "./known-words";
import { Picker } from "./picker";
import { kindOf } from "./style-kinds";
import type { SheetPicks } from "./use-picks";
import { VariantPicker } from "./variant-picker";

interface PickersProps {
  readonly picks: SheetPicks;
}

/** Cable, connector and variant, each picked by its key, and the way to begin an end. */
export function Pickers({ picks }: PickersProps) {
  const { resolved, inHand } = picks;
  return (
    <div className="no-print flex flex-wrap items-center gap-2 px-4 py-3">
      <CablePicker picks={picks} />
      <span aria-hidden="true" className="hidden text-soft md:block">
        ›
      </span>
      <StylePicker picks={picks} />
      {resolved.kind === "sheet" && (
        <>
          <span aria-hidden="true" className="hidden text-soft md:block">
            ›
          </span>
          <VariantPicker
            cable={resolved.cable}
            procedure={resolved.procedure}
            core={resolved.core}
            choices={resolved.choices}
            question={resolved.ask?.choice ?? null}
            open={picks.open === "as"}
            onOpen={picks.toggle("as")}
            onCore={picks.pickCore}
            onChoice={picks.pickChoice}
          />
          <Begin resolved={resolved} hand={inHand} onChoice={picks.pickChoice} />
        </>
      )}
    </div>
  );
}

function CablePicker({ picks }: PickersProps) {
  const { shelf, selection } = picks;
  const cable = shelf.cables.find(({ id }) => id === selection.cable);
  return (
    <Picker
      label={t("cable")}
      hotkey="C"
      prompt={t("pick-a-cable")}
      chosen={cable?.name ?? null}
      open={picks.open === "cable"}
      onOpen={picks.toggle("cable")}
      onPick={picks.pickCableByName}
      options={shelf.cables.map((cable) => ({
        id: cable.id,
        name: cable.name,
        about: cable.about,
        words: cableWords(cable),
      }))}
    />
  );
}

function StylePicker({ picks }: PickersProps) {
  const { shelf, selection } = picks;
  const cable = shelf.cables.find(({ id }) => id === selection.cable);
  const style = shelf.styles.find(({ id }) => id === selection.style);
  return (
    <Picker
      label={style?.family === "closure-entry" ? t("entry") : t("connector")}
      hotkey="S"
      prompt={t("pick-a-connector")}
      chosen={style?.name ?? null}
      open={picks.open === "style"}
      onOpen={picks.toggle("style")}
      onPick={picks.pickStyle}
      options={shelf.styles
        .filter((style) => kindOf(style) !== "entry" || style.id === selection.style)
        .map((style) => ({
          id: style.id,
          name: style.name,
          about: style.about,
          words: styleWords(style),
          group: kindOf(style) === "kit" ? t("kits-and-preparation") : undefined,
          not: cable ? misfits(style, cable)[0]?.message : undefined,
        }))}
      foot={
        <Link href="/entry" className="flex min-h-12 items-center px-3 underline">
          {t("closures-and-boxes-find-an-entry")}
        </Link>
      }
    />
  );
}
