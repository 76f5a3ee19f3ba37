export function litestream(): string | null;
