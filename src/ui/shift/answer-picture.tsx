/** A line or a face of a small picture, in a box of 96 by 48. */
interface Shape {
  readonly d: string;
  readonly fill?: string;
  readonly stroke?: string;
  readonly width?: number;
}

const GLASS = "var(--raised)";
const COATING = "var(--note)";
const LIGHT = "var(--now)";
const HEXAGON = "M36,24 l6,-11 h12 l6,11 l-6,11 h-12 z";
const ELECTRODES = "M22,6 l8,14 l-4,1 l-10,-13 z M74,6 l-8,14 l4,1 l10,-13 z";
const DISPLAY = "M20,10 h56 v28 h-56 z";

/** A stripped fibre: buffer on the right, glass to the left. */
const STRIPPED: readonly Shape[] = [
  { d: "M58,14 h34 v20 h-34 z", fill: COATING },
  { d: "M8,21 h50 v6 h-50 z", fill: GLASS },
];

/** Pictures of the answers, by question and answer. */
const PICTURES: Readonly<Record<string, readonly Shape[]>> = {
  "light on": [
    { d: "M48,24 m-8,0 a8,8 0 1,0 16,0 a8,8 0 1,0 -16,0", fill: LIGHT },
    {
      d: "M48,4 v8 M48,36 v8 M28,24 h8 M60,24 h8 M34,10 l6,6 M62,38 l-6,-6 M62,10 l-6,6 M34,38 l6,-6",
      stroke: LIGHT,
    },
  ],
  "light dark": [{ d: "M48,24 m-8,0 a8,8 0 1,0 16,0 a8,8 0 1,0 -16,0" }],
  "coupling locked": [
    { d: "M10,16 h38 v16 h-38 z", fill: COATING },
    { d: "M48,12 h22 v24 h-22 z M70,20 h18 v8 h-18 z" },
  ],
  "coupling loose": [
    { d: "M4,16 h34 v16 h-34 z", fill: COATING },
    { d: "M54,12 h22 v24 h-22 z M76,20 h16 v8 h-16 z" },
    { d: "M42,24 h8", stroke: "var(--out)" },
  ],
  "die right": [{ d: HEXAGON, fill: GLASS }, { d: "M24,8 h48 M24,40 h48" }],
  "die other": [{ d: HEXAGON }, { d: "M28,24 l10,-17 h20 l10,17 l-10,17 h-20 z", stroke: "var(--out)" }],
  "die worn": [{ d: "M36,24 l6,-11 h12 l6,11 q-10,2 -6,11 h-12 z", stroke: "var(--out)" }],
  "place as-counted": [
    { d: "M48,24 m-18,0 a18,18 0 1,0 36,0 a18,18 0 1,0 -36,0", fill: GLASS },
    { d: "M48,6 v8 M66,24 h-8 M48,42 v-8 M30,24 h8" },
    { d: "M61,11 l-6,6", stroke: LIGHT, width: 4 },
  ],
  "place other": [
    { d: "M48,24 m-18,0 a18,18 0 1,0 36,0 a18,18 0 1,0 -36,0", fill: GLASS },
    { d: "M48,6 v8 M66,24 h-8 M48,42 v-8 M30,24 h8" },
    { d: "M35,37 l6,-6", stroke: "var(--out)", width: 4 },
  ],
  "cleave flat": [{ d: "M20,14 h72 M20,34 h72 M20,14 v20", fill: "none", width: 3 }],
  "cleave lip": [{ d: "M24,14 h68 M20,34 h72 M24,14 v13 q-1,6 -8,7", fill: "none", width: 3 }],
  "cleave cracked": [
    { d: "M20,14 h72 M30,34 h62 M20,14 v12 l10,8", fill: "none", width: 3 },
    { d: "M34,14 l-4,8 l6,5 l-4,7", stroke: "var(--out)" },
  ],
  "strip clean": STRIPPED,
  "strip coating-left": [...STRIPPED, { d: "M30,19 h14 v10 h-14 z", fill: COATING }],
  "strip nicked": [...STRIPPED, { d: "M28,19 l4,5 l4,-5", stroke: "var(--out)" }],
  "arc passed": [{ d: ELECTRODES }, { d: "M30,20 q18,10 36,0", stroke: LIGHT }, { d: "M4,36 h88" }],
  "arc failed": [
    { d: ELECTRODES },
    { d: "M30,20 l8,6 l6,-8 l8,10 l14,-8", stroke: "var(--out)" },
    { d: "M4,36 h88" },
  ],
  "zero dark": [{ d: DISPLAY, fill: GLASS }, { d: "M38,24 h20" }],
  "zero not-dark": [
    { d: DISPLAY, fill: GLASS },
    { d: "M30,32 v-6 M40,32 v-10 M50,32 v-14 M60,32 v-8", stroke: "var(--out)", width: 4 },
  ],
};

/** The sight an answer of a tool check stands for, drawn small. */
export function AnswerPicture({ question, answer }: { readonly question: string; readonly answer: string }) {
  return (
    <svg viewBox="0 0 96 48" width="96" height="48" aria-hidden="true" className="shrink-0 sm:h-28 sm:w-full">
      {(PICTURES[`${question} ${answer}`] ?? []).map(
        ({ d, fill = "none", stroke = "var(--ink)", width = 2 }) => (
          <path key={d} d={d} fill={fill} stroke={stroke} strokeWidth={width} strokeLinejoin="round" />
        ),
      )}
    </svg>
  );
}
