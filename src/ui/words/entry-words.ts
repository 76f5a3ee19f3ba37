import type { EntryLength } from "@/core";

/** The lengths an entry states, as they are said: each with what it is laid off from. */
export const ENTRY_LENGTH_WORDS: Readonly<
  Record<EntryLength, { readonly name: string; readonly from: string }>
> = {
  opening: { name: "sheath opening", from: "cable end" },
  half: { name: "centre mark to the sheath edge", from: "centre mark" },
  slit: { name: "tube left whole beyond the sheath", from: "sheath edge" },
  cleaned: { name: "cleaned length", from: "sheath edge" },
  armour: { name: "armour beyond the sheath", from: "sheath edge" },
  inner: { name: "inner jacket beyond the sheath", from: "sheath edge" },
  yarn: { name: "yarn beyond the sheath", from: "sheath edge" },
  members: { name: "members beyond the sheath", from: "sheath edge" },
  ripcords: { name: "ripcords beyond the sheath", from: "sheath edge" },
  tails: { name: "ripcords beyond the armour", from: "armour edge" },
  tube: { name: "tubes beyond the sheath", from: "sheath edge" },
  "seal-depth": { name: "sheath edge to the seal", from: "sheath edge" },
  "seal-gap": { name: "gap between seal and plate", from: "seal's face" },
};
