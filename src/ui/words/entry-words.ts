import type { EntryLength } from "@/core";
import { t } from "@/messages/words";

/** The lengths an entry states, as they are said: each with what it is laid off from. */
export const ENTRY_LENGTH_WORDS: Readonly<
  Record<EntryLength, { readonly name: string; readonly from: string }>
> = {
  opening: { name: t("sheath-opening"), from: t("cable-end") },
  half: { name: t("centre-mark-to-the-sheath-edge"), from: t("centre-mark") },
  slit: { name: t("tube-left-whole-beyond-the-sheath"), from: t("sheath-edge") },
  cleaned: { name: t("cleaned-length"), from: t("sheath-edge") },
  armour: { name: t("armour-beyond-the-sheath"), from: t("sheath-edge") },
  inner: { name: t("inner-jacket-beyond-the-sheath"), from: t("sheath-edge") },
  yarn: { name: t("yarn-beyond-the-sheath"), from: t("sheath-edge") },
  members: { name: t("members-beyond-the-sheath"), from: t("sheath-edge") },
  ripcords: { name: t("ripcords-beyond-the-sheath"), from: t("sheath-edge") },
  tails: { name: t("ripcords-beyond-the-armour"), from: t("armour-edge") },
  tube: { name: t("tubes-beyond-the-sheath"), from: t("sheath-edge") },
  "seal-depth": { name: t("sheath-edge-to-the-seal"), from: t("sheath-edge") },
  "seal-gap": { name: t("gap-between-seal-and-plate"), from: t("seal-s-face") },
};
