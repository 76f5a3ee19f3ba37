/** The nonce this page's styles are let in by: that of its scripts, which a page's own scripts can read and styles cannot. */
export const pageNonce = (): string | undefined =>
  typeof document === "undefined"
    ? undefined
    : document.querySelector<HTMLScriptElement>("script[nonce]")?.nonce || undefined;
