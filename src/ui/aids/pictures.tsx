const INK = { stroke: "var(--ink)", strokeWidth: 2, fill: "none" } as const;
const GLASS = { stroke: "#4f8a99", strokeWidth: 3, fill: "none" } as const;

interface PictureProps {
  readonly title: string;
  readonly says: string;
  readonly children: React.ReactNode;
}

function Picture({ title, says, children }: PictureProps) {
  return (
    <figure className="max-w-md">
      <svg viewBox="0 0 320 96" className="w-full" role="img" aria-label={title}>
        {children}
      </svg>
      <figcaption className="text-soft text-sm leading-tight">{says}</figcaption>
    </figure>
  );
}

/** The bow rule: a slight bow behind the connector, held until the joint is made. */
export function BowPicture() {
  return (
    <Picture
      title="The fibre held with a slight bow"
      says="A slight bow, held from the stop until the joint is made: it keeps the fibre pressed home. Straight means it may have backed off."
    >
      <rect x="10" y="46" width="92" height="28" rx="4" {...INK} fill="var(--raised)" />
      <path d="M102,60 C150,60 170,26 210,26 S262,60 310,60" {...GLASS} />
      <path d="M102,60 H310" stroke="var(--ghost)" strokeDasharray="4 5" strokeWidth="1.5" />
      <path d="M210,60 V34 m-5,8 l5,-9 l5,9" {...INK} stroke="var(--now)" />
    </Picture>
  );
}

/** The visible light at the joint, before it is made and after. */
export function LightPicture({ goesOut }: { goesOut: boolean }) {
  return (
    <Picture
      title={`Before: the window glows. After: it ${goesOut ? "is dark" : "glows faintly"}.`}
      says={`Seat the fibre until the glow ${goesOut ? "goes out" : "dims clearly"}. Look at the window from the side, never into the ferrule or a port.`}
    >
      {[
        { x: 0, glow: 1, word: "before" },
        { x: 165, glow: goesOut ? 0 : 0.22, word: "after" },
      ].map(({ x, glow, word }) => (
        <g key={word} transform={`translate(${x} 0)`}>
          <rect x="8" y="26" width="130" height="40" rx="5" {...INK} fill="var(--raised)" />
          <circle cx="74" cy="46" r="26" fill="#e3342f" fillOpacity={glow * 0.35} />
          <rect
            x="58"
            y="36"
            width="32"
            height="20"
            rx="4"
            {...INK}
            fill={glow > 0 ? "#e3342f" : "#3b3f44"}
            fillOpacity={glow > 0 ? Math.max(0.3, glow) : 1}
          />
          <path d="M138,46 h16" {...GLASS} />
          <text x="74" y="88" textAnchor="middle" fontSize="15" fill="var(--ink)">
            {word}
          </text>
        </g>
      ))}
      <path d="M152,46 h10 m-5,-5 l6,5 l-6,5" {...INK} />
    </Picture>
  );
}

/** Whether the buffer grips the coating: scored once and pulled by hand, it slides or it does not. */
export function GripPicture() {
  return (
    <Picture
      title="Score the buffer and pull by hand"
      says="Score the buffer once round and pull gently by hand. It slides off whole: semi-tight. It does not move: tight."
    >
      {[
        { y: 12, gap: 34, word: "slides: semi-tight" },
        { y: 58, gap: 3, word: "holds: tight" },
      ].map(({ y, gap, word }) => (
        <g key={word}>
          <path d={`M60,${y + 12} h150`} {...GLASS} />
          <rect x={60 - gap} y={y} width="70" height="24" {...INK} fill="#dfe4ee" />
          <rect x="132" y={y} width="80" height="24" {...INK} fill="#dfe4ee" />
          {gap > 10 && <path d={`M20,${y + 12} h-14 m5,-5 l-6,5 l6,5`} {...INK} stroke="var(--now)" />}
          <text x="222" y={y + 17} fontSize="13" fill="var(--ink)">
            {word}
          </text>
        </g>
      ))}
    </Picture>
  );
}

/** The fibre end level with the funnel's face before it is slid in. */
export function FlushPicture() {
  return (
    <Picture
      title="The fibre end flush with the funnel"
      says="The glass ends level with the funnel's face: neither standing out nor drawn back. Do not touch the end."
    >
      <path d="M70,16 L130,40 V56 L70,80 H10 V16 Z" {...INK} fill="var(--raised)" />
      <path d="M130,48 H300" {...GLASS} />
      <path d="M130,8 V88" stroke="var(--now)" strokeWidth="2" strokeDasharray="5 4" />
      <rect x="200" y="34" width="110" height="28" rx="4" {...INK} fill="#dfe4ee" />
    </Picture>
  );
}
