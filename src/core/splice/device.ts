import { z } from "zod";
import { zLossDb, zTap } from "../light/light";
import { zUuid } from "../names/names";
import { said } from "../words/core";

const zPorts = z
  .array(
    z.strictObject({
      /** Number of the lead that ends on the port. */
      lead: z.int().min(1).max(65),
      /** Label of the port: the receiver it feeds. */
      label: z
        .string()
        .trim()
        .min(1, said("say-what-an-output-is-labelled"))
        .max(60, said("a-name-must-have-at-most-60")),
    }),
  )
  .max(64)
  .default([]);

const zDeviceId = zUuid(said("a-devices-id-must-be-a-uuid"));

/** A part that divides light and lies in a closure: a tap, or a splitter. Its leads are spliced, or end on ports. */
export const zDevice = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("tap"), id: zDeviceId, ...zTap.shape, ports: zPorts }),
  z.strictObject({
    kind: z.literal("splitter"),
    id: zDeviceId,
    outputs: z
      .int(said("a-splitter-has-a-whole-number-of-outputs"))
      .min(2, said("a-splitter-in-a-closure-has-2-outputs"))
      .max(64, said("a-splitter-in-a-closure-has-2-outputs")),
    excessDb: zLossDb,
    ports: zPorts,
  }),
]);
export type Device = z.output<typeof zDevice>;

/** The leads of a tap by their numbers; a splitter has its input as lead 1 too. */
export const LEAD = { input: 1, through: 2, drop: 3 } as const;

/**
 * Number of leads of a device.
 * @example leadCount({ kind: "splitter", outputs: 4 }) // 5
 */
export const leadCount = (device: Pick<Device, "kind"> & { readonly outputs?: number }): number =>
  device.kind === "tap" ? LEAD.drop : (device.outputs ?? 0) + 1;

/**
 * A device as it is called.
 * @example deviceName({ kind: "tap", tapPct: 10 }) // "tap 10 %"
 */
export const deviceName = (
  device:
    | { readonly kind: "tap"; readonly tapPct: number }
    | { readonly kind: "splitter"; readonly outputs: number },
): string => (device.kind === "tap" ? `tap ${device.tapPct} %` : `splitter 1:${device.outputs}`);

/**
 * A lead of a device as it is called.
 * @example leadName({ kind: "splitter" }, 3) // "output 2"
 */
export function leadName({ kind }: Pick<Device, "kind">, lead: number): string {
  if (lead === LEAD.input) return "input";
  if (kind === "splitter") return `output ${lead - 1}`;
  return lead === LEAD.through ? "through" : "drop";
}

const TEN = 10;

/**
 * Loss from one lead of a device to another, dB: what its share takes and its excess; null where no light goes that way, as from
 * output to output. It is the same both ways.
 * @example leadLoss({ kind: "tap", tapPct: 1, excessDb: 0 }, 1, 3) // 20
 */
export function leadLoss(
  device:
    | { readonly kind: "tap"; readonly tapPct: number; readonly excessDb: number }
    | { readonly kind: "splitter"; readonly outputs: number; readonly excessDb: number },
  a: number,
  b: number,
): number | null {
  if (a === b || (a !== LEAD.input && b !== LEAD.input)) return null;
  if (device.kind === "splitter") return TEN * Math.log10(device.outputs) + device.excessDb;
  const share = Math.max(a, b) === LEAD.through ? 1 - device.tapPct / 100 : device.tapPct / 100;
  return device.excessDb - TEN * Math.log10(share);
}
