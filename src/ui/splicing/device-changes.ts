import { fibreKey, type SplicePlan, splicesByEnd } from "@/core";

/** Devices and splices to be added together. */
export type JointParts = Pick<SplicePlan, "devices" | "splices">;

/** True if every end a joint splices is free in a plan. */
export function isFree({ splices }: Pick<SplicePlan, "splices">, joint: JointParts): boolean {
  const taken = splicesByEnd(splices);
  return joint.splices.every(({ a, b }) => !taken.has(fibreKey(a)) && !taken.has(fibreKey(b)));
}

/** A plan with another label at an output of a device. */
export const withLabel = (plan: SplicePlan, device: string, lead: number, label: string): SplicePlan => ({
  ...plan,
  devices: plan.devices.map((each) =>
    each.id === device
      ? { ...each, ports: each.ports.map((port) => (port.lead === lead ? { lead, label } : port)) }
      : each,
  ),
});

/** A plan without a device and the splices of its leads. */
export const withoutDevice = (plan: SplicePlan, device: string): SplicePlan => ({
  ...plan,
  devices: plan.devices.filter(({ id }) => id !== device),
  splices: plan.splices.filter(({ a, b }) => a.cable !== device && b.cable !== device),
});
