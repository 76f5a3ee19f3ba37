import type { Line } from "@/core";
import type { Units } from "../words/length-text";
import { benchNotes, biteWords } from "../words/line-words";
import { PartsNeeded } from "./parts-on";

interface DoingProps {
  readonly line: Line;
  readonly units: Units;
  readonly hideOnPhone: boolean;
  readonly parts: React.ComponentProps<typeof PartsNeeded>["parts"];
}

/** What to do at a step: bites, the words of the sheet, settings and wipes, and the parts it needs on the cable. */
export function Doing({ line, units, hideOnPhone, parts }: DoingProps) {
  const bites = biteWords(line, units);
  const notes = benchNotes(line, units);
  return (
    <div className={`mt-3 min-w-52 max-w-prose flex-1 ${hideOnPhone ? "hidden sm:block" : ""}`}>
      {bites && <p className="font-bold text-2xl">{bites}</p>}
      {line.step.how && <p className="text-lg">{line.step.how}</p>}
      {notes.length > 0 && <p className="text-lg text-soft">{notes.join(" · ")}</p>}
      <PartsNeeded parts={parts} />
    </div>
  );
}
