import { z } from "zod";
import type { Rule } from "../conformance/conformance";
import type { EndState } from "../end/end-state";
import { judgeLight, lightStandings } from "../end/light";
import type { Recorded } from "../event/recorded";
import { LIGHT_FROM, LIGHT_TRIES } from "../light/light-reading";

/** A reading of light as it was made, with what came of it. */
export const zLightTold = z.strictObject({
  id: z.string(),
  at: z.string(),
  wavelength: z.int(),
  from: z.enum(LIGHT_FROM),
  source: z.string(),
  cord: z.string(),
  referenced: z.string(),
  reference: z.array(z.number()),
  reading: z.array(z.number()),
  meter: z.string(),
  loss: z.number(),
  u: z.number(),
  limitDb: z.number(),
  limitFrom: z.string(),
  tried: z.enum(LIGHT_TRIES),
  verdict: z.enum(["in", "out", "unsure"]),
  gain: z.boolean(),
  stands: z.boolean(),
});

/** How an end stands in light at one wavelength. */
export const zLightStands = z.strictObject({
  wavelength: z.int(),
  from: z.enum([...LIGHT_FROM, "both"]),
  loss: z.number(),
  u: z.number(),
  limitDb: z.number(),
  verdict: z.enum(["in", "out", "unsure"]),
  gain: z.boolean(),
});

interface LightTold {
  readonly light: z.output<typeof zLightTold>[];
  readonly lightStands: z.output<typeof zLightStands>[];
}

/** Every reading of light with what came of it, and how the end stands by those that still hold. */
export function lightTold(events: readonly Recorded[], state: EndState, rule: Rule): LightTold {
  const light = events.flatMap(({ id, at, event }) => {
    if (event.kind !== "light") return [];
    const { reference, meter } = event;
    const { loss, u, verdict, gain } = judgeLight(event, rule);
    return [
      {
        ...{ id, at, wavelength: reference.wavelength, from: event.from, source: reference.source },
        ...{ cord: reference.cord, referenced: reference.taken, reference: [...reference.dBm] },
        ...{ reading: [...event.dBm], meter: meter.name, loss, u, limitDb: event.limitDb },
        ...{ limitFrom: event.limitFrom, tried: event.tried, gain },
        verdict: gain ? ("unsure" as const) : verdict,
        stands: state.light.some((read) => read.id === id),
      },
    ];
  });
  return { light, lightStands: lightStandings(state, rule) };
}
