import { z } from "zod";

/** How this person likes to work; kept in a cookie of this device, so the first page drawn is already right. */
const zPrefs = z.object({
  units: z.enum(["mm", "in", "both"]).catch("both"),
  theme: z.enum(["paper", "night", "sun"]).catch("paper"),
  instrument: z.string().max(80).catch("steel-rule"),
  /** Id of who is working here; null while nobody said. */
  person: z.string().max(60).nullable().catch(null),
  /** A name, as it was kept before people had ids: read once, to find whose it is. */
  name: z.string().max(120).catch(""),
  /** Greatest risk of calling a length wrongly; null judges by the mean alone. */
  /** Whether each step is read aloud as it comes up. */
  aloud: z.boolean().catch(false),
  /** Schools of practice this person works by, where it is not the default of a style: choice to option. */
  schools: z.record(z.string().max(60), z.string().max(60)).catch({}),
  /** Printers whose bar was measured, each with the factor a card is drawn by across and down. */
  printers: z
    .array(
      z.object({
        name: z.string().min(1).max(40),
        x: z.number().min(0.9).max(1.1),
        y: z.number().min(0.9).max(1.1),
      }),
    )
    .max(6)
    .catch([]),
  /** The printer cards are corrected for; empty for none. */
  printer: z.string().max(40).catch(""),
  cardPaper: z.enum(["a4", "letter", "roll-62", "roll-100"]).catch("a4"),
  risk: z.number().min(0.001).max(0.5).nullable().catch(0.05),
});

export type Prefs = z.output<typeof zPrefs>;

export const PREFS_COOKIE = "arlent-prefs";
export const NEXT_UNITS = { both: "mm", mm: "in", in: "both" } as const;

/** Reads the cookie; whatever cannot be read takes its default. */
export function readPrefs(cookie: string | undefined): Prefs {
  try {
    return zPrefs.parse(JSON.parse(decodeURIComponent(cookie ?? "{}")));
  } catch {
    return zPrefs.parse({});
  }
}

export const writePrefs = (prefs: Prefs): string => encodeURIComponent(JSON.stringify(prefs));

/** How readings are judged, as this device's owner set it. */
export const ruleOf = ({ risk }: Pick<Prefs, "risk">) =>
  risk === null ? { kind: "simple" as const } : { kind: "guarded" as const, risk };
