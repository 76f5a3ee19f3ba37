import { type Cable, type Layer, misfits, type Procedure } from "@/core";
import { middleOf, shadeOf } from "../band/textures";
import type { Shelf } from "./selection";

interface FirstPickProps {
  readonly shelf: Shelf;
  readonly cable: Cable | null;
  readonly procedure: Procedure | null;
  readonly onCable: (id: string) => void;
  readonly onStyle: (id: string) => void;
}

/** Before there is a sheet: the cables as they look, then the styles that go on the one picked. */
export function FirstPick({ shelf, cable, procedure, onCable, onStyle }: FirstPickProps) {
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
      {shelf.procedures
        .filter((one) => misfits(one, cable).length === 0)
        .map((one) => (
          <Pick key={one.id} name={one.name} about={one.about} onTake={() => onStyle(one.id)} />
        ))}
    </Picks>
  );
}

function Picks({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section className="mx-auto max-w-4xl px-4 py-8" aria-labelledby="first-pick">
      <h2 id="first-pick" className="mb-4 font-bold text-2xl">
        {title}
      </h2>
      <div className="grid gap-3 sm:grid-cols-2">{children}</div>
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
      className="flex min-h-24 items-center gap-4 rounded-lg border border-line bg-raised p-4 text-left hover:border-ink"
    >
      {children}
      <span>
        <span className="block font-bold text-xl">{name}</span>
        <span className="block text-soft">{about}</span>
      </span>
    </button>
  );
}

/** A cable seen at its cut face: rings of its layers to one scale, with every buffer it holds. */
function CutFace({ cable: { layers, legs, fibreCount } }: { cable: Cable }) {
  const outer = Math.max(...layers.map(({ diameter }) => diameter / 1000));
  const scale = legs.length > 1 ? 9.5 : 62 / Math.max(4.4, outer);
  const centres = legs.length > 1 ? [34 - outer * scale * 0.5, 34 + outer * scale * 0.5] : [34];
  const bundle = legs.length === 1 ? fibreCount : 1;
  return (
    <svg width="68" height="68" viewBox="0 0 68 68" aria-hidden="true" className="shrink-0">
      {centres.map((cx) => (
        <g key={cx}>
          {layers
            .filter(({ kind }) => !INSIDE.includes(kind))
            .map((layer) => (
              <Ring key={layer.kind} layer={layer} cx={cx} cy={34} scale={scale} />
            ))}
          {Array.from({ length: bundle }, (_, i) => {
            const turn = (2 * Math.PI * i) / bundle;
            const out = bundle > 1 ? 17 : 0;
            const [x, y] = [cx + out * Math.cos(turn), 34 + out * Math.sin(turn)];
            return layers
              .filter(({ kind }) => INSIDE.includes(kind))
              .map((layer) => (
                <Ring key={`${turn}-${layer.kind}`} layer={layer} cx={x} cy={y} scale={scale} />
              ));
          })}
        </g>
      ))}
    </svg>
  );
}

const INSIDE: readonly string[] = ["buffer", "coating", "glass"];

function Ring({
  layer: { kind, diameter, hue },
  cx,
  cy,
  scale,
}: {
  layer: Layer;
  cx: number;
  cy: number;
  scale: number;
}) {
  return (
    <circle
      cx={cx}
      cy={cy}
      r={Math.max(0.8, (diameter / 2000) * scale)}
      fill={kind === "glass" ? "#fff" : middleOf(hue)}
      stroke={shadeOf(hue)}
      strokeWidth="0.7"
    />
  );
}
