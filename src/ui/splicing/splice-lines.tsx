import {
  cutEndsOf,
  type FibreEnd,
  fibreKey,
  fibreShown,
  leadName,
  type SplicedCable,
  type SplicePlan,
} from "@/core";
import { t } from "@/messages/splicing";
import { paintOf } from "./fibre-chip";

const ROW = 30;
const HEAD = 34;
const WIDTH = 640;
const CHIP = { width: 58, height: 22 };
const LEFT = 150;
const RIGHT = WIDTH - 150 - CHIP.width;

/** Fibres of one cable, or towards one side of it, as they stand under each other. */
interface Group {
  readonly key: string;
  readonly name: string;
  readonly ends: readonly FibreEnd[];
  /** Cut ends that are not drawn: free ones of a large cable. */
  readonly more: number;
  readonly top: number;
}

/** The most fibres of a cable drawn with all its free ones. */
const DRAWN_WHOLE = 24;

function groupsOn(side: "a" | "b", { splices }: SplicePlan, cables: readonly SplicedCable[]): Group[] {
  const used = new Map(splices.map((splice) => [fibreKey(splice[side]), splice[side]]));
  const other = new Set(splices.map((splice) => fibreKey(splice[side === "a" ? "b" : "a"])));
  let top = 0;
  return cables.flatMap((cable): Group[] =>
    [...new Set(cutEndsOf(cable).map(({ towards }) => towards))].flatMap((towards): Group[] => {
      const all = cutEndsOf(cable).filter((end) => end.towards === towards);
      const here = all.filter((end) => used.has(fibreKey(end)));
      if (here.length === 0) return [];
      const free = all.filter((end) => !used.has(fibreKey(end)) && !other.has(fibreKey(end)));
      const ends =
        all.length <= DRAWN_WHOLE ? all.filter((end) => here.includes(end) || free.includes(end)) : here;
      const group = {
        key: `${cable.id} ${towards}`,
        name: `${cable.number}${towards ? ` ${towards}` : ""} ${cable.name}`,
        ends,
        more: all.length <= DRAWN_WHOLE ? 0 : free.length,
        top,
      };
      top += HEAD + ends.length * ROW + (group.more > 0 ? ROW : 0) + 14;
      return [group];
    }),
  );
}

const heightOf = (groups: readonly Group[]): number =>
  groups.reduce(
    (most, { top, ends, more }) => Math.max(most, top + HEAD + ends.length * ROW + (more > 0 ? ROW : 0)),
    0,
  );

/** Where the middle of each end's chip is, from the top. */
const placesOf = (groups: readonly Group[]): ReadonlyMap<string, number> =>
  new Map(
    groups.flatMap(({ top, ends }) =>
      ends.map((end, i): [string, number] => [fibreKey(end), top + HEAD + i * ROW + CHIP.height / 2]),
    ),
  );

interface SpliceLinesProps {
  readonly plan: SplicePlan;
  readonly cables: readonly SplicedCable[];
  /** Rows that are wrong or to be looked at. */
  readonly wrong: ReadonlySet<string>;
}

/** What goes to what as lines between the cables' fibres, each half in its fibre's colour. */
export function SpliceLines({ plan, cables, wrong }: SpliceLinesProps) {
  const [from, to] = [groupsOn("a", plan, cables), groupsOn("b", plan, cables)];
  const pigtails = plan.splices.filter(({ b }) => b.cable === "pigtail");
  const pigtailTop = heightOf(to) + (to.length > 0 ? 20 : 0);
  const places = {
    a: placesOf(from),
    b: new Map([
      ...placesOf(to),
      ...pigtails.map(({ b }, i): [string, number] => [
        fibreKey(b),
        pigtailTop + HEAD + i * ROW + CHIP.height / 2,
      ]),
    ]),
  };
  const height = Math.max(
    heightOf(from),
    pigtails.length > 0 ? pigtailTop + HEAD + pigtails.length * ROW : heightOf(to),
  );
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height + 10}`}
      role="img"
      aria-label={t("splice-plan")}
      className="w-full max-w-3xl"
    >
      {plan.splices.map((splice, i) => {
        const [y1, y2] = [places.a.get(fibreKey(splice.a)), places.b.get(fibreKey(splice.b))];
        if (y1 === undefined || y2 === undefined) return null;
        return (
          <Joined
            key={splice.id}
            number={i + 1}
            y1={y1}
            y2={y2}
            paints={[paintOf(splice.a, cables).ground, paintOf(splice.b, cables).ground]}
            wrong={wrong.has(splice.id)}
          />
        );
      })}
      {from.map((group) => (
        <Ends key={group.key} group={group} cables={cables} x={LEFT} taken={places.a} plan={plan} />
      ))}
      {to.map((group) => (
        <Ends key={group.key} group={group} cables={cables} x={RIGHT} taken={places.b} plan={plan} />
      ))}
      {pigtails.map(({ id, b }) => (
        <text key={id} x={RIGHT + 4} y={(places.b.get(fibreKey(b)) ?? 0) + 5} fontSize="15" fill="var(--ink)">
          {t("pigtail", { number: b.fibre })}
        </text>
      ))}
    </svg>
  );
}

interface JoinedProps {
  readonly number: number;
  readonly y1: number;
  readonly y2: number;
  readonly paints: readonly [string, string];
  readonly wrong: boolean;
}

function Joined({ number, y1, y2, paints, wrong }: JoinedProps) {
  const [start, end] = [LEFT + CHIP.width, RIGHT];
  // Beside the first fibre, where no two sleeves lie over each other.
  const [middle, y] = [start + 60, y1];
  const line = (half: "a" | "b") =>
    half === "a"
      ? `M${start},${y} H${middle}`
      : `M${middle},${y} C${middle + 110},${y} ${end - 90},${y2} ${end},${y2}`;
  return (
    <g>
      {(["a", "b"] as const).map((half, i) => (
        <g key={half} fill="none">
          <path d={line(half)} stroke="var(--ink)" strokeWidth="4.5" />
          <path d={line(half)} stroke={paints[i]} strokeWidth="3" />
        </g>
      ))}
      <rect
        x={middle - 20}
        y={y - 11}
        width="40"
        height="22"
        rx="11"
        fill="var(--raised)"
        stroke={wrong ? "var(--out)" : "var(--ink)"}
        strokeWidth={wrong ? 3 : 1.5}
      />
      <text
        x={middle}
        y={y + 5}
        textAnchor="middle"
        fontSize="14"
        fontWeight="700"
        fill={wrong ? "var(--out)" : "var(--ink)"}
      >
        {number}
      </text>
    </g>
  );
}

interface EndsProps {
  readonly group: Group;
  readonly cables: readonly SplicedCable[];
  readonly x: number;
  readonly taken: ReadonlyMap<string, number>;
  readonly plan: SplicePlan;
}

/** A cable's fibres under its name, each a chip with its place and colour; a free one says so. */
function Ends({ group, cables, x, plan }: EndsProps) {
  const spliced = new Set(plan.splices.flatMap(({ a, b }) => [fibreKey(a), fibreKey(b)]));
  const stored = new Set(
    plan.spares.flatMap(({ cable, towards, fibres }) =>
      fibres.map((fibre) => fibreKey({ cable, towards, fibre })),
    ),
  );
  const onLeft = x === LEFT;
  const beside = onLeft
    ? { x: x - 8, anchor: "end" as const }
    : { x: x + CHIP.width + 8, anchor: "start" as const };
  return (
    <g>
      <text
        x={onLeft ? 4 : WIDTH - 4}
        y={group.top + 20}
        textAnchor={onLeft ? "start" : "end"}
        fontSize="16"
        fontWeight="700"
        fill="var(--ink)"
      >
        {group.name}
      </text>
      {group.ends.map((end, i) => {
        const y = group.top + HEAD + i * ROW;
        const paint = paintOf(end, cables);
        const cable = cables.find(({ id }) => id === end.cable);
        const shown = cable && fibreShown(cable.cable, end.fibre);
        const device = cable?.device;
        const label = device?.ports.find(({ lead }) => lead === end.fibre)?.label;
        return (
          <g key={fibreKey(end)}>
            <rect
              x={x}
              y={y}
              width={CHIP.width}
              height={CHIP.height}
              rx="4"
              fill={paint.ground}
              stroke="var(--ink)"
            />
            <text
              x={x + CHIP.width / 2}
              y={y + 16}
              textAnchor="middle"
              fontSize="13"
              fontWeight="700"
              fill={paint.letters}
            >
              {end.fibre} {device ? "" : shown?.code}
            </text>
            <text x={beside.x} y={y + 16} textAnchor={beside.anchor} fontSize="13" fill="var(--soft)">
              {label
                ? label
                : spliced.has(fibreKey(end))
                  ? device
                    ? leadName(device, end.fibre)
                    : shown?.place
                  : stored.has(fibreKey(end))
                    ? t("stored-fibre")
                    : t("free")}
            </text>
          </g>
        );
      })}
      {group.more > 0 && (
        <text
          x={beside.x}
          y={group.top + HEAD + group.ends.length * ROW + 16}
          textAnchor={beside.anchor}
          fontSize="13"
          fill="var(--soft)"
        >
          {t("more-fibres", { count: group.more })}
        </text>
      )}
    </g>
  );
}
