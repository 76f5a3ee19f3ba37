import type { z } from "zod";
import {
  deviceName,
  endedBy,
  explainExcess,
  fibresAt,
  InputError,
  type JobId,
  type LinkAnswer,
  type LinkClosure,
  type LinkPart,
  type LinkPiece,
  linkFrom,
  linkLoss,
  type Measured,
  type PieceId,
  placeText,
  problemOf,
  type SideName,
  WAVELENGTHS,
  type zLinkQuery,
} from "@/core";
import { say, t } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { closureEventsOf } from "@/store/plan/closure-events";
import { closuresOf } from "@/store/plan/closures";
import { endsOfPieces } from "@/store/record/ends";
import { endRecord } from "../end/record";
import { getClosure } from "./closures";
import { allPieces, pieceOf } from "./jobs";
import { newestAt } from "./placed";
import { mustFindPiece } from "./places";
import { needsOf, shelved } from "./planning";

interface JobLight {
  readonly pieces: readonly LinkPiece[];
  readonly closures: readonly LinkClosure[];
}

/** A job's pieces and closures as light goes through them; a piece whose plan cannot be worked out is left out. */
function jobLight(store: Store, job: JobId): JobLight {
  const shelf = shelved(store);
  const pieces = allPieces(store, job).flatMap(({ id, plan }): LinkPiece[] => {
    const cable = shelf.cable(plan.cable);
    const worked = needsOf(store, plan);
    if (!cable || !("needs" in worked)) return [];
    const endedAt = (side: SideName) => {
      const { procedure, onto } = plan.sides[side];
      return endedBy(shelf.procedure(onto?.procedure ?? procedure ?? "")?.family ?? "");
    };
    return [{ id, plan, cable, sheath: worked.needs.exact, ends: { A: endedAt("A"), B: endedAt("B") } }];
  });
  const closures = closuresOf(store, job).map(({ closure }): LinkClosure => {
    const { plan } = getClosure(store, closure);
    const estimates = new Map<string, number>();
    for (const { event } of closureEventsOf(store, closure))
      if (event.kind === "splice" && !event.splicer?.simulated) estimates.set(event.splice, event.estimateDb);
    return {
      id: closure,
      name: plan.name,
      cables: plan.cables,
      splices: plan.splicing.splices,
      devices: plan.splicing.devices,
      estimates,
    };
  });
  return { pieces, closures };
}

/**
 * The link one fibre of a piece is part of, from one side: what light meets, what it is expected to take at each wavelength,
 * what was measured over it, and what may explain a difference.
 * @throws InputError `not-found`; `no-such-element` for a fibre the cable does not have.
 */
export function linkOf(
  store: Store,
  piece: PieceId,
  { side, fibre }: z.output<typeof zLinkQuery>,
): LinkAnswer {
  const row = mustFindPiece(store, piece);
  const cable = shelved(store).cable(pieceOf(row).plan.cable);
  if (cable && fibre > cable.fibreCount)
    throw new InputError(
      "no-such-element",
      say("has-fibres-1-to-not", { cable: cable.name, fibreCount: cable.fibreCount, fibre }),
      ["fibre"],
    );
  const job = jobLight(store, row.job);
  const link = linkFrom(job, { piece: row.piece, side, fibre });
  const measured = measuredOver(store, job, link);
  const wavelengths = WAVELENGTHS.flatMap((wavelength) => {
    const { parts, whole: _, ...expected } = linkLoss(link, wavelength);
    const isUsed = linkLoss(
      link.filter(({ kind }) => kind !== "open"),
      wavelength,
    ).whole;
    const own = measured.find((each) => each.wavelength === wavelength);
    if (!isUsed) return [];
    return [
      {
        ...{ wavelength, ...expected, measured: own ? { loss: own.loss, u: own.u } : null },
        parts: parts.map(({ loss, limit }) => ({ loss, limit })),
      },
    ];
  });
  return {
    parts: link.map((part) => ({
      ...{ kind: part.kind, at: part.at, name: nameOf(job, part) },
      metres: part.kind === "fibre" ? part.metres : 0,
    })),
    wavelengths,
    whole: link.length > 0 && link.every(({ kind }) => kind !== "open"),
    suspects: explainExcess(link, measured),
  };
}

/** What a part of a link is called on the page. */
function nameOf({ pieces, closures }: JobLight, part: LinkPart): string {
  if (part.kind === "splice" || part.kind === "pigtail") {
    const closure = closures.find(({ id }) => id === part.closure);
    const splice = part.kind === "splice" ? closure?.splices.find(({ id }) => id === part.splice) : null;
    return [closure?.name ?? "", splice?.slot ? t("slot-of-splice", { slot: splice.slot }) : ""]
      .filter(Boolean)
      .join(", ");
  }
  if (part.kind === "port" || part.kind === "device") {
    const closure = closures.find(({ id }) => id === part.closure);
    const device = part.kind === "device" && closure?.devices.find(({ id }) => id === part.device);
    const own = part.kind === "port" ? part.label : device ? deviceName(device) : "";
    return [closure?.name ?? "", own].filter(Boolean).join(", ");
  }
  const piece = pieces.find(({ id }) => id === part.piece);
  if (!piece) return "";
  return part.kind === "fibre"
    ? piece.plan.name
    : `${piece.plan.name}, ${placeText({ side: part.side ?? "A", address: [] }, piece.plan)}`;
}

/** The losses measured over a link: as the newest ends at its connectors were read, each wavelength once. */
function measuredOver(store: Store, { pieces }: JobLight, link: readonly LinkPart[]): Measured[] {
  const measured: Measured[] = [];
  for (const part of link) {
    if (part.kind !== "connector") continue;
    const piece = pieces.find(({ id }) => id === part.piece);
    if (!piece) continue;
    for (const { id, side, address } of newestAt(endsOfPieces(store, [piece.id])).values()) {
      if (side !== part.side || !address || !isOn(piece, address, part.fibre)) continue;
      for (const { wavelength, loss, u } of endRecord(store, id).lightStands) {
        const used = WAVELENGTHS.find((each) => each === wavelength);
        if (used && !measured.some((each) => each.wavelength === used))
          measured.push({ wavelength: used, loss, u });
      }
    }
  }
  return measured;
}

function isOn({ cable }: LinkPiece, address: Parameters<typeof fibresAt>[1], fibre: number): boolean {
  try {
    return fibresAt(cable, address).includes(fibre);
  } catch (error) {
    if (problemOf(error)) return false;
    throw error;
  }
}
