import { z } from "zod";
import { said } from "../words/core";

/** Zones of an end face, from the core outwards. */
export const FACE_ZONES = ["A", "B", "C", "D"] as const;
type FaceZone = (typeof FACE_ZONES)[number];

/** Kinds of face, each with criteria of its own: single-mode by its return loss, angled, and multimode. */
export const FACE_KINDS = ["single-mode-45", "single-mode-angled", "single-mode-26", "multimode"] as const;
export type FaceKind = (typeof FACE_KINDS)[number];

/** Micrometres of a drawn face: whole tenths, 0 in the middle of the core. */
const zMicron = z.number().min(-300).max(300).multipleOf(0.1, said("give-micrometres-in-tenths"));
const zPoint = z.strictObject({ x: zMicron, y: zMicron });

const zFaceMark = z
  .strictObject({
    kind: z.enum(["scratch", "defect"]),
    /** Width of a scratch, diameter of a defect, micrometres. */
    size: z
      .number(said("a-marks-size-must-be-a-number"))
      .min(0.1, said("a-marks-size-must-be-above-0"))
      .max(250, said("a-marks-size-must-be-at-most-250"))
      .multipleOf(0.1, said("give-micrometres-in-tenths")),
    /** Place on the face; a scratch has a second point. Null if only its zone is given. */
    at: zPoint.nullable(),
    to: zPoint.nullable(),
    zone: z.enum(FACE_ZONES).nullable(),
  })
  .refine(({ at, zone }) => (at === null) !== (zone === null), said("a-mark-has-a-place-or-a-zone"));
export type FaceMark = z.output<typeof zFaceMark>;

/** An end face as it was looked at: what was counted on it, and the photograph it was counted on. */
export const zEndFace = z.strictObject({
  kind: z.literal("end-face"),
  face: z.enum(FACE_KINDS),
  marks: z.array(zFaceMark).max(200, said("at-most-200-marks")),
  photo: z
    .string()
    .regex(/^[0-9a-f]{64}$/, said("a-photographs-id-must-be-the-sha"))
    .nullable(),
});
export type EndFace = z.output<typeof zEndFace>;

/** Outer diameter of each zone, micrometres: IEC 61300-3-35, from memory. */
const DIAMETERS: Readonly<Record<"single-mode" | "multimode", Readonly<Record<FaceZone, number>>>> = {
  "single-mode": { A: 25, B: 120, C: 130, D: 250 },
  multimode: { A: 65, B: 120, C: 130, D: 250 },
};

/**
 * Outer diameter of a zone, micrometres.
 * @example zoneDiameter("single-mode-45", "A") // 25
 */
export const zoneDiameter = (face: FaceKind, zone: FaceZone): number =>
  DIAMETERS[face === "multimode" ? "multimode" : "single-mode"][zone];

/** Limits of a zone for one kind of mark: any number up to `free`, `count` more up to `counted`, none larger. Micrometres. */
interface Allowed {
  readonly free: number;
  readonly counted: number;
  readonly count: number;
}

const ANY: Allowed = { free: Number.POSITIVE_INFINITY, counted: 0, count: 0 };
const NONE: Allowed = { free: 0, counted: 0, count: 0 };
const upTo = (free: number): Allowed => ({ free, counted: 0, count: 0 });
const few = (count: number, counted: number, free = 0): Allowed => ({ free, counted, count });

/** Any under 2 µm, five from 2 to 5, none larger; the standard says "under", sizes are whole tenths. */
const CLADDING_DEFECTS = few(5, 5, 1.9);
const OUTER = {
  C: { scratch: ANY, defect: ANY },
  D: { scratch: ANY, defect: upTo(9.9) },
} as const;

type ByZone = Readonly<Record<FaceZone, Readonly<Record<FaceMark["kind"], Allowed>>>>;

/** Acceptance criteria: IEC 61300-3-35, from memory. The standard takes precedence. */
const CRITERIA: Readonly<Record<FaceKind, ByZone>> = {
  "single-mode-45": {
    A: { scratch: NONE, defect: NONE },
    B: { scratch: upTo(3), defect: CLADDING_DEFECTS },
    ...OUTER,
  },
  "single-mode-angled": {
    A: { scratch: few(4, 3), defect: NONE },
    B: { scratch: ANY, defect: CLADDING_DEFECTS },
    ...OUTER,
  },
  "single-mode-26": {
    A: { scratch: few(2, 3), defect: few(2, 3) },
    B: { scratch: few(3, Number.POSITIVE_INFINITY, 3), defect: CLADDING_DEFECTS },
    ...OUTER,
  },
  multimode: {
    A: { scratch: upTo(3), defect: few(4, 5) },
    B: { scratch: upTo(5), defect: CLADDING_DEFECTS },
    ...OUTER,
  },
};

/** The least distance of a mark's edge from the middle of the core. */
function nearest({ at, to, size }: Pick<FaceMark, "at" | "to" | "size">): number {
  if (!at) return 0;
  const end = to ?? at;
  const [dx, dy] = [end.x - at.x, end.y - at.y];
  const length = dx * dx + dy * dy;
  const along = length === 0 ? 0 : Math.max(0, Math.min(1, -(at.x * dx + at.y * dy) / length));
  return Math.max(0, Math.hypot(at.x + along * dx, at.y + along * dy) - size / 2);
}

/**
 * The innermost zone a mark touches: it counts there. A mark beyond the contact zone counts nowhere.
 * @example zoneOf("single-mode-45", { kind: "defect", size: 2, at: { x: 13, y: 0 }, to: null, zone: null }) // "A"
 */
export function zoneOf(face: FaceKind, mark: FaceMark): FaceZone | null {
  if (mark.zone) return mark.zone;
  const distance = nearest(mark);
  return FACE_ZONES.find((zone) => distance <= zoneDiameter(face, zone) / 2) ?? null;
}

/** A reason a zone fails: marks too large, or too many of a size that is limited in number. */
interface FaceFault {
  readonly kind: FaceMark["kind"];
  readonly why: "too-large" | "too-many";
  readonly count: number;
  /** The largest of them, micrometres. */
  readonly largest: number;
  /** Number allowed, and the largest size allowed. */
  readonly allowed: number;
  readonly upTo: number;
}

interface ZoneGrade {
  readonly zone: FaceZone;
  readonly scratches: number;
  readonly defects: number;
  readonly faults: readonly FaceFault[];
}

interface FaceGrade {
  readonly zones: readonly ZoneGrade[];
  readonly passes: boolean;
}

/**
 * Grades an end face zone by zone, by the marks that were counted on it (IEC 61300-3-35, from memory).
 * @example gradeFace({ face: "single-mode-45", marks: [] }).passes // true
 */
export function gradeFace({ face, marks }: Pick<EndFace, "face" | "marks">): FaceGrade {
  const zones = FACE_ZONES.map((zone): ZoneGrade => {
    const own = marks.filter((mark) => zoneOf(face, mark) === zone);
    const of = (kind: FaceMark["kind"]) => own.filter((mark) => mark.kind === kind).map(({ size }) => size);
    const [scratches, defects] = [of("scratch"), of("defect")];
    const { scratch, defect } = CRITERIA[face][zone];
    return {
      ...{ zone, scratches: scratches.length, defects: defects.length },
      faults: [...faultsOf("scratch", scratches, scratch), ...faultsOf("defect", defects, defect)],
    };
  });
  return { zones, passes: zones.every(({ faults }) => faults.length === 0) };
}

function faultsOf(kind: FaceMark["kind"], sizes: readonly number[], allowed: Allowed): FaceFault[] {
  const most = Math.max(allowed.free, allowed.counted);
  const large = sizes.filter((size) => size > most);
  const counted = sizes.filter((size) => size > allowed.free && size <= allowed.counted);
  const fault = (why: FaceFault["why"], all: readonly number[]): FaceFault => ({
    ...{ kind, why, count: all.length, largest: Math.max(...all), allowed: allowed.count, upTo: most },
  });
  return [
    ...(large.length > 0 ? [fault("too-large", large)] : []),
    ...(counted.length > allowed.count ? [fault("too-many", counted)] : []),
  ];
}
