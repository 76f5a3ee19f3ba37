import { type Entry, mm } from "@/core";

type Findable = Pick<Entry, "name" | "about" | "kind" | "ports" | "takes">;

const SIZE = /^(\d+(?:[.,]\d+)?)(?:mm)?$/;

/** Entries that answer every word: by name, kind, role, a cable they take, or a port that closes round a diameter in mm. */
export function entriesFound<T extends Findable>(entries: readonly T[], wanted: string): readonly T[] {
  const words = wanted
    .toLowerCase()
    .replaceAll(/(\d)\s+mm\b/g, "$1mm")
    .split(/[\s;]+/)
    .filter((word) => word !== "" && word !== "mm");
  return entries.filter((entry) => words.every((word) => answers(entry, word)));
}

function answers({ name, about, kind, ports, takes }: Findable, word: string): boolean {
  const size = SIZE.exec(word)?.[1];
  if (size !== undefined) {
    const diameter = mm(Number(size.replace(",", ".")));
    return ports.some(({ bushedMin, max }) => diameter >= bushedMin && diameter <= max);
  }
  const words = [name, about, kind, ...takes, ...ports.map(({ role }) => role)].join(" ").toLowerCase();
  return words.replaceAll("-", " ").includes(word) || words.includes(word);
}
