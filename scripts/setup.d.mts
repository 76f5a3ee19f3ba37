/** The path of a Chromium: CHROMIUM, or the system's, installed from Debian's packages where that may be done. */
export function ensureChromium(): string;
