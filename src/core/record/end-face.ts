import { z } from "zod";
import type { EndState } from "../end/end-state";
import type { Recorded } from "../event/recorded";
import { FACE_KINDS, FACE_ZONES, gradeFace } from "../light/end-face";

/** An end face as it was looked at, graded zone by zone. */
export const zFaceRecord = z.strictObject({
  id: z.string(),
  at: z.string(),
  face: z.enum(FACE_KINDS),
  photo: z.string().nullable(),
  passes: z.boolean(),
  zones: z.array(
    z.strictObject({
      zone: z.enum(FACE_ZONES),
      scratches: z.int(),
      defects: z.int(),
      passes: z.boolean(),
    }),
  ),
  stands: z.boolean(),
});

/** Every look at the end face, in order; what was seen of an end that was made again since does not stand. */
export const faceRecords = (events: readonly Recorded[], state: EndState): z.output<typeof zFaceRecord>[] =>
  events.flatMap(({ id, at, event }) => {
    if (event.kind !== "end-face") return [];
    const { zones, passes } = gradeFace(event);
    return [
      {
        ...{ id, at, face: event.face, photo: event.photo, passes },
        zones: zones.map(({ zone, scratches, defects, faults }) => ({
          ...{ zone, scratches, defects },
          passes: faults.length === 0,
        })),
        stands: state.faces.some((seen) => seen.id === id),
      },
    ];
  });
