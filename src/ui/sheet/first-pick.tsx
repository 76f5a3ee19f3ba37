import { useState } from "react";
import { type Cable, misfits, type SheetShelf, type Style } from "@/core";
import { t } from "@/messages/sheet";
import { EndThumb, ThumbTextures } from "../band/end-thumb";
import type { Thumb } from "../band/thumb";
import { Link } from "../controls/link";
import { CutFace } from "./cut-face";
import { connectorTypes, kindOf } from "./style-kinds";

interface FirstPickProps {
  readonly shelf: SheetShelf;
  readonly thumbs: Readonly<Record<string, Thumb>>;
  readonly cable: Cable | null;
  readonly procedure: Style | null;
  readonly onCable: (id: string) => void;
  readonly onStyle: (id: string, choices?: Readonly<Record<string, string>>) => void;
}

/** Before there is a sheet: the cables as they look, then the type of connector and the ways it goes on the one picked. */
export function FirstPick({ shelf, thumbs, cable, procedure, onCable, onStyle }: FirstPickProps) {
  if (cable === null) {
    const cables = procedure
      ? shelf.cables.filter((cable) => misfits(procedure, cable).length === 0)
      : shelf.cables;
    return (
      <Picks title={t("which-cable-is-in-your-hand")}>
        {cables.map((cable) => (
          <Pick key={cable.id} name={cable.name} about={cable.about} onTake={() => onCable(cable.id)}>
            <CutFace cable={cable} />
          </Pick>
        ))}
      </Picks>
    );
  }
  return (
    <>
      <StylePick
        key={cable.id}
        cable={cable}
        styles={shelf.styles.filter((style) => misfits(style, cable).length === 0)}
        thumbs={thumbs}
        onStyle={onStyle}
      />
      <ThumbTextures />
    </>
  );
}

interface StylePickProps {
  readonly cable: Cable;
  readonly styles: readonly Style[];
  readonly thumbs: Readonly<Record<string, Thumb>>;
  readonly onStyle: NonNullable<FirstPickProps["onStyle"]>;
}

/** The connectors that go on a cable, by their type first; kits and entries beside, each by itself. */
function StylePick({ cable, styles, thumbs, onStyle }: StylePickProps) {
  const types = connectorTypes(styles);
  const [picked, setPicked] = useState<string | null>(null);
  const type = types.find(({ id }) => id === picked);
  const of = (kind: ReturnType<typeof kindOf>) => styles.filter((style) => kindOf(style) === kind);
  const connectors = of("connector").filter(({ id }) => !type || type.styles.includes(id));
  const pick = (style: Style) => (
    <Pick
      key={style.id}
      name={style.name}
      about={style.about}
      onTake={() => onStyle(style.id, kindOf(style) === "connector" ? type?.choices : undefined)}
    >
      <EndThumb thumb={thumbs[style.id]} className="w-36" />
    </Pick>
  );
  const kits = of("kit");
  return (
    <>
      {connectors.length > 0 && (
        <Picks
          title={t("which-connector-goes-on-the", { name: cable.name })}
          head={
            types.length > 1 && (
              <fieldset className="mb-3 flex flex-wrap gap-2">
                <legend className="sr-only">{t("type-of-connector")}</legend>
                {types.map(({ id, name, styles: all }) => (
                  <button
                    key={id}
                    type="button"
                    aria-pressed={id === picked}
                    onClick={() => setPicked(id === picked ? null : id)}
                    className={`min-h-12 rounded-lg border-2 border-ink px-4 font-bold text-lg ${id === picked ? "bg-strong text-on-strong" : ""}`}
                  >
                    {name}{" "}
                    <span className="font-normal text-sm">
                      {all.length} {all.length === 1 ? "way" : "ways"}
                    </span>
                  </button>
                ))}
              </fieldset>
            )
          }
        >
          {connectors.map(pick)}
        </Picks>
      )}
      {kits.length > 0 && <Picks title={t("kits-and-preparation")}>{kits.map(pick)}</Picks>}
      {of("entry").length > 0 && (
        <p className="mx-auto max-w-6xl px-4 pb-6 text-lg">
          <Link href="/entry" className="underline">
            {t("closures-and-boxes-it-goes-into")}
          </Link>
        </p>
      )}
    </>
  );
}

function Picks({
  title,
  head,
  children,
}: {
  title: string;
  head?: React.ReactNode;
  children: React.ReactNode;
}) {
  const id = title.replaceAll(/\W+/g, "-");
  return (
    <section className="mx-auto max-w-6xl px-4 py-5" aria-labelledby={id}>
      <h2 id={id} className="mb-3 font-bold text-2xl">
        {title}
      </h2>
      {head}
      <div className="grid gap-2 sm:grid-cols-2 lg:grid-cols-3">{children}</div>
    </section>
  );
}

function Pick({
  name,
  about,
  onTake,
  children,
}: {
  name: string;
  about: string;
  onTake: () => void;
  children?: React.ReactNode;
}) {
  return (
    <button
      type="button"
      onClick={onTake}
      className="flex min-h-20 items-center gap-3 rounded-lg border border-line bg-raised px-3 py-2 text-left hover:border-ink"
    >
      {children}
      <span>
        <span className="block font-bold text-lg leading-tight">{name}</span>
        <span className="line-clamp-2 text-soft text-sm leading-tight">{about}</span>
      </span>
    </button>
  );
}
