import { Line, Rect, Svg, Text } from "@react-pdf/renderer";
import { endDrawing, mustHoldAt, type RecordDocument, type RunSheet } from "@/core";
import { t } from "@/messages/paper";
import { bandScale } from "@/ui/band/scale";
import { middleOf, shadeOf } from "@/ui/band/textures";
import { mmText } from "@/ui/words/length-text";
import { FACES } from "./scripts";

/** A drawing takes one face: the engine looks for another, letter by letter, in other texts alone. */
const FACE = mustHoldAt(FACES, 0).family;

const WIDTH = 520;
const HEIGHT = 96;
const AXIS = 58;
const THICKEST = 36;
const LEFT = 18;
const TAIL = 70;

/** The finished end to scale, fibre to the left, with every mark and cut from the cable end in millimetres. */
export function PaperDrawing({
  sheet,
  planned,
}: {
  readonly sheet: RunSheet;
  /** Where the sheet has each place: a thin line beside where it was made. Millimetres. */
  readonly planned: RecordDocument["drawn"];
}) {
  const { midRun, layers, stretches, written } = endDrawing(sheet, sheet.lines.length);
  const scale = bandScale(stretches, WIDTH, midRun ? TAIL : LEFT, TAIL);
  const right = scale.stretches.at(-1)?.x1 ?? WIDTH;
  return (
    <Svg width={WIDTH} height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`}>
      <LayerRects layers={layers} midRun={midRun} scale={scale} right={right} />
      <Breaks scale={scale} />
      <Text x={0} y={HEIGHT - 2} style={{ fontFamily: FACE, fontSize: 6.5 }}>
        {t("lengths-to-scale-thickness-not-as", {
          value: scale.stretches.length > 1 ? t("left-out-at-the-break") : "",
        })}
      </Text>
      {planned
        .filter(({ planned: plan, made: count }) => plan !== count)
        .map(({ feature, planned: plan }) => (
          <Line
            key={`planned ${feature}`}
            x1={scale.x(plan * 1000)}
            x2={scale.x(plan * 1000)}
            y1={AXIS - 22}
            y2={AXIS + 22}
            stroke="#8a8578"
            strokeWidth={0.35}
          />
        ))}
      {written.map(({ at, fromEnd }, i) => {
        const [x, text] = [scale.x(at), mmText(fromEnd)];
        const y = 10 + 10 * (i % 2);
        return [
          <Line
            key={`${text}-${x}`}
            x1={x}
            x2={x}
            y1={y + 2}
            y2={HEIGHT - 8}
            stroke="#1f2328"
            strokeWidth={0.4}
            strokeDasharray="1.5 1.5"
          />,
          <Text
            key={`at ${text}-${x}`}
            x={x + 2}
            y={y}
            style={{ fontFamily: FACE, fontSize: 8, fontWeight: 700 }}
          >
            {text}
          </Text>,
        ];
      })}
    </Svg>
  );
}

type Scale = ReturnType<typeof bandScale>;

interface LayerRectsProps extends Pick<ReturnType<typeof endDrawing>, "layers" | "midRun"> {
  readonly scale: Scale;
  /** Where the drawing ends, points. */
  readonly right: number;
}

/** The layers, the outermost at the back. */
function LayerRects({ layers, midRun, scale, right }: LayerRectsProps) {
  const perUm = THICKEST / (layers[0]?.diameter ?? 1_000);
  return (
    <>
      {[...layers]
        .reverse()
        .filter(({ kind, beside }) => kind !== "yarn" && beside === 0)
        .flatMap(({ kind, hue, from, diameter }) => {
          const drawn = { kind, hue, thick: Math.max(1, diameter * perUm) };
          const after = { ...drawn, x0: midRun && from === 0 ? 0 : scale.x(from), x1: right };
          return midRun && from > 0 ? [after, { ...drawn, x0: 0, x1: scale.x(-from) }] : [after];
        })
        .map(({ kind, hue, x0, x1, thick }) => (
          <Rect
            key={`${kind} ${x0}`}
            x={x0}
            y={AXIS - thick / 2}
            width={Math.max(0, x1 - x0)}
            height={thick}
            fill={middleOf(hue)}
            stroke={shadeOf(hue)}
            strokeWidth={0.6}
          />
        ))}
    </>
  );
}

/** Breaks in the drawing where length is left out. */
const Breaks = ({ scale }: { scale: Scale }) => (
  <>
    {scale.stretches
      .slice(0, -1)
      .map(({ x1 }) => [
        <Rect key={`left out ${x1}`} x={x1} y={AXIS - 24} width={34} height={48} fill="#ffffff" />,
        ...[x1 + 2, x1 + 32].map((x) => (
          <Line
            key={x}
            x1={x - 3}
            x2={x + 3}
            y1={AXIS + 24}
            y2={AXIS - 24}
            stroke="#1f2328"
            strokeWidth={0.7}
          />
        )),
      ])}
  </>
);
