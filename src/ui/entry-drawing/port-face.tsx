import type { Entry } from "@/core";
import { t } from "@/messages/entry";
import { middleOf } from "../band/textures";
import { exactMm } from "../words/length-text";
import { type NamedCable, sheathOf } from "./entry-cables";
import type { PortGrip } from "./use-port-drop";

interface PortFaceProps {
  readonly entry: Pick<Entry, "name" | "face" | "ports">;
  /** Which cable stands in which port, by the port's id. */
  readonly inPort: ReadonlyMap<string, { readonly cable: NamedCable; readonly bushed: boolean }>;
  readonly lit?: string | null;
  /** Takes hold of the cable in a port, to be let go over another. */
  readonly onTake?: (cable: string) => PortGrip;
  /** Beside words that say it already. */
  readonly quiet?: boolean;
  /** Room it is drawn in, pixels. */
  readonly room: number;
}

/** The face of an entry as it is seen from the cables, to scale: each port with what stands in it. */
export function PortFace({ entry, inPort, lit = null, onTake, quiet = false, room }: PortFaceProps) {
  const { face, ports } = entry;
  const scale = (room - 24) / Math.max(face.width, face.height);
  const px = (length: number) => length * scale;
  const [width, height] = [px(face.width) + 24, px(face.height) + 24];
  const at = (x: number, y: number) => ({ x: width / 2 + px(x), y: height / 2 - px(y) });
  return (
    <figure aria-hidden={quiet ? true : undefined}>
      <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} className="h-auto max-w-full">
        <title>{t("port-face-of-the-to-scale", { name: entry.name })}</title>
        <FaceOutline shape={face.shape} width={px(face.width)} height={px(face.height)} />
        {ports.map((port) => {
          const { x, y } = at(port.x, port.y);
          const held = inPort.get(port.id);
          const radius = px(port.max) / 2;
          const message = held
            ? `${held.cable.name}${held.bushed ? t("with-a-bushing") : ""}`
            : port.plug
              ? "plug"
              : "empty";
          return (
            <g
              key={port.id}
              {...(held && onTake?.(held.cable.id))}
              data-port={port.id}
              aria-label={t("port", { id: port.id, role: port.role, says: message })}
            >
              <circle
                cx={x}
                cy={y}
                r={radius + 3}
                className={held && lit === held.cable.id ? "fill-field stroke-now" : "fill-field stroke-ink"}
                strokeWidth={held && lit === held.cable.id ? 4 : 1.5}
              />
              {held ? (
                <CableSeen cable={held.cable} x={x} y={y} scale={scale} bushed={held.bushed ? radius : 0} />
              ) : (
                <EmptyPort x={x} y={y} radius={radius} plug={port.plug && !quiet} />
              )}
              {!quiet && (
                <text
                  x={x + (x < width / 2 - 1 ? -1 : 1) * (radius + 6)}
                  y={y - radius * 0.6}
                  textAnchor={x < width / 2 - 1 ? "end" : "start"}
                  className="figures fill-ink font-bold text-sm"
                >
                  {port.id}
                </text>
              )}
              <title>
                {t("port-to-mm", {
                  id: port.id,
                  role: port.role,
                  formatMm: exactMm(port.bushedMin),
                  formatMm2: exactMm(port.max),
                  says: message,
                })}
              </title>
            </g>
          );
        })}
      </svg>
    </figure>
  );
}

interface FaceOutlineProps {
  readonly shape: Entry["face"]["shape"];
  /** Pixels, without the margin around it. */
  readonly width: number;
  readonly height: number;
}

function FaceOutline({ shape, width, height }: FaceOutlineProps) {
  return shape === "round" ? (
    <ellipse
      cx={width / 2 + 12}
      cy={height / 2 + 12}
      rx={width / 2}
      ry={height / 2}
      className="fill-rail stroke-ink"
      strokeWidth={2}
    />
  ) : (
    <rect
      x={12}
      y={12}
      width={width}
      height={height}
      rx={8}
      className="fill-rail stroke-ink"
      strokeWidth={2}
    />
  );
}

interface EmptyPortProps {
  readonly x: number;
  readonly y: number;
  readonly radius: number;
  /** Whether the word is written on it. */
  readonly plug: boolean;
}

const EmptyPort = ({ x, y, radius, plug }: EmptyPortProps) => (
  <>
    <circle cx={x} cy={y} r={radius} fill="none" className="stroke-soft" strokeDasharray="3 3" />
    {plug && radius > 15 && (
      <text x={x} y={y + 4} textAnchor="middle" className="fill-soft text-[11px]">
        {t("plug")}
      </text>
    )}
  </>
);

interface CableSeenProps {
  readonly cable: NamedCable;
  readonly x: number;
  readonly y: number;
  /** Pixels to a micrometre. */
  readonly scale: number;
  /** Radius of the bushing round it; 0 where it has none. */
  readonly bushed: number;
}

/** A cable's end as it stands in its port: rings of its layers. */
const CableSeen = ({ cable, x, y, scale, bushed }: CableSeenProps) => (
  <>
    {bushed > 0 && <circle cx={x} cy={y} r={bushed} className="fill-note stroke-ink" strokeDasharray="4 2" />}
    {cable.of.layers
      .filter(({ kind }) => ["jacket", "sheath", "armour", "inner-jacket", "tape", "tube"].includes(kind))
      .filter(({ diameter }, i) => i === 0 || diameter > sheathOf(cable) * 0.3)
      .map(({ kind, diameter, hue }) => (
        <circle
          key={kind}
          cx={x}
          cy={y}
          r={(diameter * scale) / 2}
          fill={middleOf(hue)}
          className="stroke-ink"
          strokeWidth={0.8}
        />
      ))}
  </>
);
