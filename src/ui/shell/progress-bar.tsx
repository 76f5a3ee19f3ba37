/** How far something is, as a bar: so much of so much. */
export function ProgressBar({ value, most, name }: { value: number; most: number; name: string }) {
  const share = most > 0 ? Math.min(1, value / most) : 0;
  return (
    <span
      role="progressbar"
      aria-label={name}
      aria-valuemin={0}
      aria-valuemax={most}
      aria-valuenow={Math.min(value, most)}
      tabIndex={-1}
      className="block h-3 w-36 overflow-hidden rounded-full bg-line"
    >
      <span className="block h-full bg-now" style={{ width: `${share * 100}%` }} />
    </span>
  );
}
