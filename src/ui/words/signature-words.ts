import type { Signature } from "@/core";
import { t } from "@/messages/words";

/** What a signature says of an end, before the name. */
const MEANING_WORDS: Record<Signature["means"], string> = {
  made: t("made-by"),
  checked: t("checked-by"),
  accepted: t("accepted-by"),
};

const HOW = { pin: t("proven-by-pin"), passkey: t("proven-by-passkey") };

interface Signed extends Pick<Signature, "name" | "means"> {
  readonly reasons?: string | null | undefined;
  readonly proof?: Signature["proof"] | null;
}

/** A signature in a line: what it says, whose, why, and how it was proven. */
export const signatureText = ({ name, means, reasons, proof }: Signed): string =>
  [`${MEANING_WORDS[means]} ${name}`, reasons, proof && HOW[proof.how]].filter(Boolean).join("; ");
