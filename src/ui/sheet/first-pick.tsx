import { type Cable, misfits, type Style } from "@/core";
import { EndThumb, ThumbTextures } from "../band/end-thumb";
import type { Thumb } from "../band/thumb";
import { CutFace } from "./cut-face";
import type { Shelf } from "./selection";

interface FirstPickProps {
  readonly shelf: Shelf;
  readonly thumbs: Readonly<Record<string, Thumb>>;
  readonly cable: Cable | null;
  readonly procedure: Style | null;
  readonly onCable: (id: string) => void;
  readonly onStyle: (id: string) => void;
}

/** Before there is a sheet: the cables as they look, then the styles that go on the one picked. */
export function FirstPick({ shelf, thumbs, cable, procedure, onCable, onStyle }: FirstPickProps) {
  if (cable === null) {
    const cables = procedure
      ? shelf.cables.filter((one) => misfits(procedure, one).length === 0)
      : shelf.cables;
    return (
      <Picks title="Which cable is in your hand?">
        {cables.map((one) => (
          <Pick key={one.id} name={one.name} about={one.about} onTake={() => onCable(one.id)}>
            <CutFace cable={one} />
          </Pick>
        ))}
      </Picks>
    );
  }
  return (
    <Picks title={`Which connector goes on the ${cable.name}?`}>
      {shelf.styles
        .filter((style) => misfits(style, cable).length === 0)
        .map((style) => (
          <Pick key={style.id} name={style.name} about={style.about} onTake={() => onStyle(style.id)}>
            <EndThumb thumb={thumbs[style.id]} className="w-36" />
          </Pick>
        ))}
      <ThumbTextures />
    </Picks>
  );
}

function Picks({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section className="mx-auto max-w-6xl px-4 py-5" aria-labelledby="first-pick">
      <h2 id="first-pick" className="mb-3 font-bold text-2xl">
        {title}
      </h2>
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
