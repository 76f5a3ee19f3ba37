interface TickProps {
  readonly name: string;
  readonly on: boolean;
  readonly onTick: () => void;
}

/** One of several that can be on together. */
export const Tick = ({ name, on, onTick }: TickProps) => (
  <label
    className={`flex min-h-12 items-center gap-2 rounded-lg border-2 px-3 ${on ? "border-ink bg-raised" : "border-line"}`}
  >
    <input type="checkbox" checked={on} onChange={onTick} className="size-5" />
    {name}
  </label>
);
