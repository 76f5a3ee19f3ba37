import {
  closureWork,
  cutEndsOf,
  NO_SPLICES,
  reviewSplices,
  slotsFor,
  straight,
  type WorkedCable,
} from "@/core";
import { shippedLibrary } from "@/store/shelf/shipped";
import { line, perSecond } from "./measure";

const COUNT = 288;

/** A plan of 288 splices: laid on trays, held against its cables, and the work that follows from it, beside going through its fibres once. */
export function splices(): void {
  const { entries, cables } = shippedLibrary();
  const entry = entries.find(({ id }) => id === "entry-dome-gel");
  const loose = cables.find(({ id }) => id === "loose-tube-144");
  if (!entry?.trays || !loose) throw new Error("a dome with trays, and a cable of 144 fibres");
  const trays = { ...entry.trays, most: 48 };
  const branches = [1, 2, 3, 4].map(
    (number): WorkedCable => ({
      id: `c${number}`,
      number,
      name: `Pad ${number} branch`,
      cable: loose,
      core: "9/125",
      through: false,
      parted: null,
      prepared: true,
      ports: [],
      tube: null,
    }),
  );
  const pairs = [branches.slice(0, 2), branches.slice(2)].flatMap(([a, b]) =>
    a && b ? straight({ cable: a, towards: null }, { cable: b, towards: null }) : [],
  );
  const planned = pairs.map((joint, i) => ({
    ...joint,
    id: `s${i}`,
    slot: null,
    lengths: { a: null, b: null },
    note: "",
  }));
  const laid = () =>
    slotsFor(
      trays,
      planned.map(({ id }, i) => ({
        id,
        a: trays.fibre,
        b: trays.fibre,
        ribbon: false,
        slot: i < 0 ? "1.1" : null,
      })),
    );
  const slots = laid();
  const plan = { ...NO_SPLICES, splices: planned.map((of) => ({ ...of, slot: slots.get(of.id) ?? null })) };
  const at = { entry: { ...entry, trays }, cables: branches, plan, light: null, plugs: true };
  if (planned.length !== COUNT) throw new Error(`${planned.length} splices, not ${COUNT}`);
  const bare = perSecond(() => branches.flatMap(cutEndsOf));
  for (const [name, work] of [
    ["laid on trays", laid],
    ["held against its cables", () => reviewSplices(plan, branches)],
    ["put together with its work", () => closureWork(at, [])],
  ] as const) {
    const rate = perSecond(work);
    line(
      `a plan of ${COUNT} splices ${name}`,
      `${(1_000 / rate).toFixed(1)} ms; going through its fibres ${(1_000 / bare).toFixed(2)} ms (ratio ${(bare / rate).toFixed(0)})`,
    );
  }
}
