import { FACE_KINDS, type FaceKind } from "@/core";
import { t } from "@/messages/light";

/** Kinds of face in words. */
export const FACE_TEXTS: Readonly<Record<FaceKind, () => string>> = {
  "single-mode-45": () => t("face-single-mode-45"),
  "single-mode-angled": () => t("face-single-mode-angled"),
  "single-mode-26": () => t("face-single-mode-26"),
  multimode: () => t("face-multimode"),
};

/** The kind of face a style usually has: by its glass and its polish. */
export const usualFace = (core: string, polish: string | undefined): FaceKind => {
  if (!core.startsWith("9/")) return "multimode";
  return polish === "apc" ? "single-mode-angled" : "single-mode-45";
};

/** The same, to be picked from. */
export const FACE_OPTIONS = FACE_KINDS.map((id) => ({ id, name: FACE_TEXTS[id]() }));
