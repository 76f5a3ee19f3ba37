import type { EndRecord } from "@/core";

/** Where an end was made, as paper and page say it. */
export const madeAtText = ({ name, side, station, address, plan }: NonNullable<EndRecord["where"]>): string =>
  [name, side ? `side ${side}` : station, address, `plan ${plan}`].filter(Boolean).join(", ");
