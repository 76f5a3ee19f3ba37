import { misfits } from "@/core";
import type { Store } from "@/store/database/store";
import { wholeLibrary } from "@/store/shelf/shelf";

/** A style on a cable it fits. */
interface StyleOnCable {
  readonly id: string;
  readonly name: string;
  readonly cable: string;
  readonly procedure: string;
}

/** Every style of the shelf on every cable it fits, but for the sheets of closures. */
export function gaugeOptions(store: Store): StyleOnCable[] {
  const { procedures, cables, entries } = wholeLibrary(store);
  const ofEntries = (id: string) => entries.some((entry) => id.startsWith(entry.id));
  return procedures
    .filter(({ id }) => !ofEntries(id))
    .flatMap((procedure) =>
      cables
        .filter((cable) => cable.cores.some((core) => misfits(procedure, cable, core).length === 0))
        .map((cable) => ({
          id: `${procedure.id} ${cable.id}`,
          name: `${procedure.name} · ${cable.name}`,
          ...{ cable: cable.id, procedure: procedure.id },
        })),
    );
}
