import type { Across } from "@/core";

/** What does not go together over the two ends of a fibre, in words. */
export const mismatchText = ({ name, asks, here, far }: Across): string =>
  `${name}: side A is ${here}, side B is ${far}. ${asks === "same" ? "Both must be the same." : "One must be the other."}`;

/** Told before anybody goes to the bench: both ends as planned, and what they must be. */
export const Mismatch = ({ all }: { all: readonly Across[] }) =>
  all.length === 0 ? null : (
    <p role="alert" className="rounded-md border-2 border-out px-3 py-1.5">
      <strong className="text-out">The two sides do not go together.</strong>{" "}
      {all.map(mismatchText).join(" ")}
    </p>
  );
