import { t } from "@/messages/aids";

const INK = { stroke: "var(--ink)", strokeWidth: 2, fill: "none" } as const;
const GLASS = { stroke: "#4f8a99", strokeWidth: 3, fill: "none" } as const;

interface PictureProps {
  readonly title: string;
  readonly caption: string;
  readonly children: React.ReactNode;
}

function Picture({ title, caption: message, children }: PictureProps) {
  return (
    <figure className="max-w-md">
      <svg viewBox="0 0 320 96" className="w-full" role="img" aria-label={title}>
        {children}
      </svg>
      <figcaption className="text-soft text-sm leading-tight">{message}</figcaption>
    </figure>
  );
}

/** The bow rule: a slight bow behind the connector, held until the joint is made. */
export function BowPicture() {
  return (
    <Picture title={t("the-fibre-held-with-a-slight")} caption={t("a-slight-bow-held-from-the")}>
      <rect x="10" y="46" width="92" height="28" rx="4" {...INK} fill="var(--raised)" />
      <path d="M102,60 C150,60 170,26 210,26 S262,60 310,60" {...GLASS} />
      <path d="M102,60 H310" stroke="var(--ghost)" strokeDasharray="4 5" strokeWidth="1.5" />
      <path d="M210,60 V34 m-5,8 l5,-9 l5,9" {...INK} stroke="var(--now)" />
    </Picture>
  );
}

/** The visible light at the joint: on before the fibre goes in, and what it does once that is seated. */
export function LightPicture({ goesOut, seated }: { goesOut: boolean; seated: boolean }) {
  const before = { x: 0, glow: 1, word: seated ? "before" : "now" };
  const after = { x: 165, glow: goesOut ? 0 : 0.22, word: "seated" };
  return (
    <Picture
      title={
        seated
          ? t("before-the-joint-glows-seated-it", { value: goesOut ? t("is-dark") : t("glows-faintly") })
          : t("the-joint-glows-while-it-is")
      }
      caption={
        seated
          ? t("the-glow-as-the-fibre-meets", { value: goesOut ? t("goes-out") : t("dims-clearly") })
          : t("it-must-glow-now-or-there")
      }
    >
      {(seated ? [before, after] : [before]).map(({ x, glow, word }) => (
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
          {word !== "now" && <path d="M138,46 h16" {...GLASS} />}
          <text x="74" y="88" textAnchor="middle" fontSize="15" fill="var(--ink)">
            {word}
          </text>
        </g>
      ))}
      {seated && <path d="M152,46 h10 m-5,-5 l6,5 l-6,5" {...INK} />}
    </Picture>
  );
}

/** Whether the buffer grips the coating: scored once and pulled by hand, it slides or it does not. */
export function GripPicture() {
  return (
    <Picture title={t("score-the-buffer-and-pull-by")} caption={t("score-the-buffer-once-round-and")}>
      {[
        { y: 12, gap: 34, word: "slides: semi-tight" },
        { y: 58, gap: 3, word: t("holds-tight") },
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

/** The fibre drawn through the guide cone until its end is level with the cone's tip; the edge shows in the hole. */
export function FlushPicture() {
  return (
    <Picture title={t("the-fibre-through-the-guide-cone")} caption={t("pulled-back-through-the-cone-until")}>
      <rect x="196" y="26" width="116" height="44" rx="4" {...INK} fill="var(--raised)" />
      <path d="M196,26 L96,41 V55 L196,70 Z" {...INK} fill="var(--raised)" />
      <rect x="168" y="40" width="144" height="16" stroke="#8f9ab3" fill="#dfe4ee" />
      <path d="M96,48 H168" {...GLASS} />
      <ellipse cx="168" cy="48" rx="15" ry="12" {...INK} stroke="var(--now)" />
      <path d="M96,10 V86" stroke="var(--now)" strokeWidth="2" strokeDasharray="5 4" />
      <text x="90" y="22" textAnchor="end" fontSize="13" fill="var(--ink)">
        {t("tip")}
      </text>
      <text x="168" y="90" textAnchor="middle" fontSize="13" fill="var(--ink)">
        {t("hole")}
      </text>
    </Picture>
  );
}
