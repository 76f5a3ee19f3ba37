import { Line, Rect, Svg, Text } from "@react-pdf/renderer";
import type { RunSheet } from "@/core";
import { bandGeometry } from "../band/geometry";
import { middleOf, shadeOf } from "../band/textures";
import { mmText } from "../words/length-text";

const WIDTH = 520;
const HEIGHT = 96;
const AXIS = 58;
/** The band draws for a screen: on paper it is half as thick. */
const THIN = 0.55;

/** The finished end to scale, fibre to the left, with every mark and cut from the cable end in millimetres. */
export function EndDrawing({ sheet }: { sheet: RunSheet }) {
  const { layers, scale } = bandGeometry(sheet, sheet.lines.length, WIDTH);
  const figures = sheet.lines.flatMap(({ figure }) => (figure ? [figure] : []));
  const marked = [...new Map(figures.map((one) => [one.feature, one])).values()]
    .map(({ feature, fromEnd }) => ({
      x: scale.x(sheet.features.find(({ id }) => id === feature)?.position ?? fromEnd),
      text: mmText(fromEnd),
    }))
    .sort((a, b) => a.x - b.x);
  return (
    <Svg width={WIDTH} height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`}>
      {[...layers]
        .reverse()
        .filter(({ layer, beside }) => layer.kind !== "yarn" && beside === 0)
        .map(({ layer: { kind, hue }, x0, x1, thick }) => (
          <Rect
            key={kind}
            x={x0}
            y={AXIS - (thick * THIN) / 2}
            width={Math.max(0, x1 - x0)}
            height={thick * THIN}
            fill={middleOf(hue)}
            stroke={shadeOf(hue)}
            strokeWidth={0.6}
          />
        ))}
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
      <Text x={0} y={HEIGHT - 2} style={{ fontSize: 6.5 }}>
        {`Lengths to scale${scale.stretches.length > 1 ? ", left out at the break" : ""}; thickness not.`}
      </Text>
      {marked.map(({ x, text }, i) => {
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
          <Text key={`at ${text}-${x}`} x={x + 2} y={y} style={{ fontSize: 8, fontWeight: 700 }}>
            {text}
          </Text>,
        ];
      })}
    </Svg>
  );
}
