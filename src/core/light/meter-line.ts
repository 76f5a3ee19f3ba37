import { type Outcome, ok, refuse } from "../problem/problem";
import { say } from "../words/core";
import { WAVELENGTHS, type Wavelength } from "./light-reading";

/** The id of the meter that ships as a stand-in: what it reads is practice. */
export const SIMULATED_METER = "simulated-meter";

/** A line as a source and meter send it for one reading. */
interface MeterLine {
  readonly wavelength: Wavelength;
  readonly dBm: number;
}

const LONGEST = 120;
const FORM = /^light\s+(\S+)\s+nm\s+(\S+)\s+dbm$/i;
const MOST_DBM = 40;
const LEAST_DBM = -90;

/**
 * Whether a text is meant as a meter's line, not as powers typed by hand.
 * @example isMeterLine("light 1310 nm") // true
 */
export const isMeterLine = (text: string): boolean => /^\s*light\b/i.test(text);

/**
 * Reads a meter's line: `light 1310 nm -20.14 dBm`, either decimal sign. The form is our own, described in `docs/formats.md`.
 * @returns a refusal that says what is wrong with the line, `bad-input`.
 * @example parseMeterLine("light 1310 nm -20.14 dBm") // { ok: true, value: { wavelength: 1310, dBm: -20.14 } }
 */
export function parseMeterLine(text: string): Outcome<MeterLine> {
  const line = text.trim();
  if (line.length > LONGEST)
    return refuse("bad-input", say("a-meters-line-is-too-long", { longest: LONGEST }));
  const [, nanometres, power] = FORM.exec(line) ?? [];
  if (nanometres === undefined || power === undefined)
    return refuse("bad-input", say("a-meters-line-has-another-form", { line: line.slice(0, 60) }));
  const wavelength = WAVELENGTHS.find((each) => String(each) === nanometres);
  const dBm = /^[+-]?\d{1,3}([.,]\d{1,3})?$/.test(power) ? Number(power.replace(",", ".")) : Number.NaN;
  if (!wavelength)
    return refuse(
      "bad-input",
      say("a-meters-line-has-a-bad-figure", { field: "nm", figure: nanometres.slice(0, 20) }),
    );
  if (!(dBm >= LEAST_DBM && dBm <= MOST_DBM))
    return refuse(
      "bad-input",
      say("a-meters-line-has-a-bad-figure", { field: "dBm", figure: power.slice(0, 20) }),
    );
  return ok({ wavelength, dBm });
}

/**
 * A line as the simulated meter sends it.
 * @example meterLine({ wavelength: 1310, dBm: -20.14 }) // "light 1310 nm -20.14 dBm"
 */
export const meterLine = ({ wavelength, dBm }: MeterLine): string =>
  `light ${wavelength} nm ${dBm.toFixed(2)} dBm`;

/**
 * A simulated reading: the source at −20 dBm through its cord, and with an end in between less its loss; from two numbers
 * between 0 and 1. Invented, for practice: about one end in six is over 0.75 dB.
 * @param isThrough whether an end is in between.
 * @example simulatedPower(1310, false, [0.5, 0.5]).dBm // -20
 */
export function simulatedPower(
  wavelength: Wavelength,
  isThrough: boolean,
  [x, y]: readonly [number, number],
): MeterLine {
  const noise = (y - 0.5) * 0.06;
  const loss = isThrough ? 0.15 + 0.5 * x + (x > 5 / 6 ? 0.6 : 0) : 0;
  return { wavelength, dBm: Math.round((-20 - loss + noise) * 100) / 100 };
}
