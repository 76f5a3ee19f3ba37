import type { Wavelength } from "../light/light-reading";
import type { LinkPart } from "./link";

interface Figure {
  /** What it usually is, and how much that differs, dB or dB/km. */
  readonly usual: number;
  readonly spread: number;
  /** At most, by the standard. */
  readonly limit: number;
}

/** ANSI/TIA-568.3 limits, from memory; usual figures are our own representative ones. */
const CONNECTOR: Figure = { usual: 0.25, spread: 0.12, limit: 0.75 };
const SPLICE: Figure = { usual: 0.06, spread: 0.05, limit: 0.3 };
/** A tap or splitter differs from its figure by that much, and is at most so much over it: our own representative figures. */
const DEVICE = { spread: 0.15, over: 0.5 } as const;
/** An estimate of a splicer is that sure, dB (common practice, no source). */
const ESTIMATE_SPREAD = 0.03;

/** Attenuation, dB/km: ITU-T G.652 and ANSI/TIA-568.3 outside plant, from memory. */
const SINGLE_MODE: Readonly<Record<Wavelength, Figure | null>> = {
  850: null,
  1300: null,
  1310: { usual: 0.34, spread: 0.02, limit: 0.5 },
  1490: { usual: 0.24, spread: 0.02, limit: 0.5 },
  1550: { usual: 0.2, spread: 0.02, limit: 0.5 },
  1625: { usual: 0.23, spread: 0.03, limit: 0.5 },
};
const MULTIMODE: Readonly<Record<Wavelength, Figure | null>> = {
  850: { usual: 2.5, spread: 0.2, limit: 3 },
  1300: { usual: 0.7, spread: 0.1, limit: 1.5 },
  1310: null,
  1490: null,
  1550: null,
  1625: null,
};

const attenuation = (core: string, wavelength: Wavelength): Figure | null =>
  (core === "9/125" ? SINGLE_MODE : MULTIMODE)[wavelength];

/** What one part of a link takes. */
interface PartLoss {
  readonly loss: number;
  readonly u: number;
  readonly limit: number;
}

/** What a link takes: expected, with its standard uncertainty, and at most by the limits of its parts, dB. */
interface LinkLoss extends PartLoss {
  readonly parts: readonly (LinkPart & PartLoss)[];
  /** False where a fibre of it is not used at that wavelength, or an end of it is open. */
  readonly whole: boolean;
}

/**
 * What a link is expected to take at a wavelength, part by part: fibre by its length, each connector and splice.
 * @example linkLoss([{ kind: "fibre", at: 0, piece: "p", metres: 10_000, core: "9/125" }], 1550).loss // 2
 */
export function linkLoss(link: readonly LinkPart[], wavelength: Wavelength): LinkLoss {
  const parts = link.map((part) => ({ ...part, ...partLoss(part, wavelength) }));
  const sum = (of: (part: PartLoss) => number) => parts.reduce((total, part) => total + of(part), 0);
  return {
    parts,
    loss: sum(({ loss }) => loss),
    u: Math.sqrt(sum(({ u }) => u ** 2)),
    limit: sum(({ limit }) => limit),
    whole: link.every(
      (part) =>
        part.kind !== "open" && (part.kind !== "fibre" || attenuation(part.core, wavelength) !== null),
    ),
  };
}

function partLoss(part: LinkPart, wavelength: Wavelength): PartLoss {
  switch (part.kind) {
    case "connector":
      return part.hasSplice
        ? {
            loss: CONNECTOR.usual + SPLICE.usual,
            u: Math.hypot(CONNECTOR.spread, SPLICE.spread),
            limit: CONNECTOR.limit + SPLICE.limit,
          }
        : { loss: CONNECTOR.usual, u: CONNECTOR.spread, limit: CONNECTOR.limit };
    case "device":
      return { loss: part.loss, u: DEVICE.spread, limit: part.loss + DEVICE.over };
    case "port":
    case "pigtail":
      return { loss: CONNECTOR.usual, u: CONNECTOR.spread, limit: CONNECTOR.limit };
    case "splice":
      return part.estimateDb === null
        ? { loss: SPLICE.usual, u: SPLICE.spread, limit: SPLICE.limit }
        : { loss: part.estimateDb, u: ESTIMATE_SPREAD, limit: SPLICE.limit };
    case "fibre": {
      const figure = attenuation(part.core, wavelength);
      const km = part.metres / 1_000;
      return figure
        ? { loss: figure.usual * km, u: figure.spread * km, limit: figure.limit * km }
        : { loss: 0, u: 0, limit: 0 };
    }
    case "open":
      return { loss: 0, u: 0, limit: 0 };
  }
}

/** A loss measured over a link at a wavelength. */
export interface Measured {
  readonly wavelength: Wavelength;
  readonly loss: number;
  readonly u: number;
}

/** What may explain that a link takes more than expected. */
type Suspect = "connector" | "splice" | "bend" | "length";

/** Share of its loss that a fault of each kind takes at each wavelength: a bend takes more the longer the wavelength (from memory). */
const SHOWS: Readonly<Record<Exclude<Suspect, "length">, Readonly<Record<Wavelength, number>>>> = {
  connector: { 850: 1, 1300: 1, 1310: 1, 1490: 1, 1550: 1, 1625: 1 },
  splice: { 850: 1, 1300: 1, 1310: 1, 1490: 1, 1550: 1, 1625: 1 },
  bend: { 850: 0.5, 1300: 0.7, 1310: 0.12, 1490: 0.5, 1550: 1, 1625: 2 },
};
/** How often each is the cause of a loss that is too high (common practice, no source). */
const OFTEN: Readonly<Record<Suspect, number>> = { connector: 0.6, splice: 0.15, bend: 0.2, length: 0.05 };

/**
 * What best explains that a link takes more than expected at the wavelengths it was measured at: each suspect's excess is
 * fitted by its own shape over the wavelengths, and what is left over tells how likely it is. Ranked, never claimed.
 * @returns shares that add up to 1, the most likely first; none where nothing is beyond the uncertainty.
 * @example explainExcess([], []) // []
 */
export function explainExcess(
  link: readonly LinkPart[],
  measured: readonly Measured[],
): { readonly suspect: Suspect; readonly share: number }[] {
  const excess = measured.map(({ wavelength, loss, u }) => {
    const expected = linkLoss(link, wavelength);
    return { wavelength, over: loss - expected.loss, u: Math.hypot(u, expected.u, 0.02) };
  });
  if (!excess.some(({ over, u }) => over > 2 * u)) return [];
  const core = link.find((part) => part.kind === "fibre")?.core ?? "9/125";
  const has = (kind: LinkPart["kind"]) => link.some((part) => part.kind === kind);
  const suspects: Suspect[] = [
    ...(has("connector") || has("pigtail") || has("port") ? (["connector"] as const) : []),
    ...(has("splice") ? (["splice"] as const) : []),
    "bend",
    "length",
  ];
  const scored = suspects.map((suspect) => {
    const shape = ({ wavelength }: { wavelength: Wavelength }) =>
      suspect === "length" ? (attenuation(core, wavelength)?.usual ?? 0) : SHOWS[suspect][wavelength];
    const weight = excess.reduce((sum, each) => sum + (shape(each) / each.u) ** 2, 0);
    const size = Math.max(
      0,
      weight === 0
        ? 0
        : excess.reduce((sum, each) => sum + (shape(each) * each.over) / each.u ** 2, 0) / weight,
    );
    const left = excess.reduce((sum, each) => sum + ((each.over - size * shape(each)) / each.u) ** 2, 0);
    return { suspect, score: OFTEN[suspect] * Math.exp(-left / 2) };
  });
  const all = scored.reduce((sum, { score }) => sum + score, 0);
  return scored
    .map(({ suspect, score }) => ({ suspect, share: all > 0 ? score / all : 0 }))
    .sort((a, b) => b.share - a.share);
}
