import { t } from "@/messages/words";

/** Seconds until what runs from a moment on is over; negative afterwards. @param now milliseconds since 1970. */
export const secondsLeft = (
  { startedAt, seconds }: { readonly startedAt: string; readonly seconds: number },
  now: number,
): number => seconds - (now - Date.parse(startedAt)) / 1000;

/** Seconds as a clock shows them: `0:45`, `12:05`, `1:02:00`; whole seconds, rounded up while they run down. */
export function clockText(seconds: number): string {
  const whole = Math.max(0, Math.ceil(seconds));
  const two = (n: number) => String(n).padStart(2, "0");
  const [hours, minutes, rest] = [Math.floor(whole / 3600), Math.floor((whole % 3600) / 60), whole % 60];
  return hours > 0 ? `${hours}:${two(minutes)}:${two(rest)}` : `${minutes}:${two(rest)}`;
}

/** A stretch of time in words: `45 s`, `12 min`, `1 h 14 min`. */
export function spanText(seconds: number): string {
  if (seconds < 90) return `${Math.round(seconds)} s`;
  const minutes = Math.round(seconds / 60);
  const [hours, rest] = [Math.floor(minutes / 60), minutes % 60];
  if (hours === 0) return `${minutes} min`;
  return rest === 0 ? `${hours} h` : t("h-min", { hours, rest });
}
