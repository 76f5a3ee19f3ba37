import { z } from "zod";
import { CONSTRUCTIONS, zCore, zSource } from "../cable/cable";
import { formatMm } from "../length/format";
import { type Length, zMm, zMmNotNegative } from "../length/length";
import { zDocumentId, zId, zName } from "../names/names";
import { coded } from "../problem/codes";
import { zCondition } from "../procedure/condition";
import { zPart } from "../procedure/procedure";
import { zTraySet } from "../tray/tray-set";
import { said, t } from "../words/core";
import { closurePorts, PORT_LIMIT, zPort } from "./ports";

/** What a sheath goes into and is opened in. */
const ENTRY_KINDS = ["dome-gel", "dome-round", "inline", "wall-box", "pedestal"] as const;

/** The lengths an entry states: the opening from the cable end, of a cable that goes through half of it from the centre mark; ripcord tails from the armour; all else from the sheath edge. */
export const ENTRY_LENGTHS = [
  "opening",
  "half",
  "slit",
  "cleaned",
  "armour",
  "inner",
  "yarn",
  "members",
  "ripcords",
  "tails",
  "tube",
  "seal-depth",
  "seal-gap",
] as const;
export type EntryLength = (typeof ENTRY_LENGTHS)[number];

const figure = { nominal: zMm, plus: zMmNotNegative.nullable(), minus: zMmNotNegative.nullable() };

/** A figure with its tolerance, and others for some cables: by diameter, armour, members, tubes, ribbons. */
const zEntryFigure = z.strictObject({
  ...figure,
  cases: z
    .array(z.strictObject({ when: zCondition, ...figure }))
    .max(20)
    .default([]),
});

/** A port, where it lies on the face, and whether a plug stays in it while it is not used. */
const zFacePort = zPort.safeExtend({ x: zMm, y: zMm, plug: z.boolean() });

const zFastener = z.strictObject({
  title: zName,
  how: z.string().max(600).default(""),
  newtonMetres: z.number().min(0).max(100),
  /** Ids of the parts it tightens: it is asked for where one of them is. Without any it always is. */
  parts: z.array(zId).min(1).max(20).optional(),
  /** What presses the seal is slack while cables go in, and tightened after the plugs; what holds the cover, once it is on. */
  stage: z.enum(["cable", "seal", "cover"]).optional(),
});

/** A part of an entry; a bushing goes on a cable that is too thin for a port by itself, as that port's own range says. */
const zEntryPart = zPart.extend({ bushes: z.literal(true).optional() });

const zRadius = zMmNotNegative.refine((value) => value > 0, {
  ...said("radius-must-be-greater-than-0"),
  params: coded("negative"),
});

/** A closure's, box's or pedestal's entry: its ports, and what is prepared of whatever cable goes in. */
export const zEntry = z
  .strictObject({
    id: zDocumentId,
    revision: z.number().int().min(1),
    source: zSource,
    name: zName,
    about: z.string().max(500),
    kind: z.enum(ENTRY_KINDS, said("kind-must-be-one-of-3", { entryKinds: ENTRY_KINDS.join(", ") })),
    /** Cables it is made for; of which diameter, its ports say. */
    takes: z.array(z.enum(CONSTRUCTIONS)).min(1),
    cores: z.array(zCore).min(1),
    /** The face the ports lie on, seen from the cables. */
    face: z.strictObject({ shape: z.enum(["round", "flat"]), width: zRadius, height: zRadius }),
    ports: z.array(zFacePort).min(1).max(PORT_LIMIT),
    lengths: z.partialRecord(z.enum(ENTRY_LENGTHS), zEntryFigure),
    parts: z.array(zEntryPart).max(20),
    /** What goes round a cable that goes through: nothing can be threaded over it. */
    through: z.array(zEntryPart).max(20).default([]),
    /** In the order they are tightened. */
    fasteners: z.array(zFastener).min(1).max(12),
    /** Whether it may hold pressure that is let out before it is opened. */
    relief: z.boolean(),
    /** Where tubes or fibres lie inside: paths from either sheath edge, turns, how far once round. */
    storage: z.strictObject({
      paths: z.tuple([zMmNotNegative, zMmNotNegative]),
      turns: z.strictObject({ min: z.int().min(0).max(100), max: z.int().min(0).max(100) }),
      perimeter: zRadius,
      /** The longest way once round that still lies in it; left out, the turns are all of one length. */
      perimeterMost: zRadius.optional(),
    }),
    /** What a fibre must reach: the splicer's table and back. */
    reach: zMmNotNegative,
    /** The least radius at rest of what is stored. */
    radius: zRadius,
    /** Where splices lie and their fibre is stored; left out of an entry that has no trays. */
    trays: zTraySet.optional(),
  })
  .superRefine((entry, context) => {
    for (const { path, message, code } of closurePorts(entry.ports))
      context.addIssue({ code: "custom", path: ["ports", ...path], message, params: coded(code) });
    const { shape, width, height } = entry.face;
    entry.ports.forEach(({ id, x, y }, i) => {
      const outside =
        shape === "round"
          ? Math.hypot(x / width, y / height) > 0.5
          : Math.abs(x) > width / 2 || Math.abs(y) > height / 2;
      if (outside)
        context.addIssue({
          code: "custom",
          path: ["ports", i, "x"],
          message: t("port-lies-beyond-the-face-it-is", { id }),
          params: coded("limit"),
        });
    });
    if (entry.lengths.opening === undefined)
      context.addIssue({
        code: "custom",
        path: ["lengths", "opening"],
        message: t("an-entry-must-state-how-much-sheath"),
        params: coded("no-figure"),
      });
    for (const { at, message: text } of clashes(entry.lengths))
      context.addIssue({
        code: "custom",
        path: ["lengths", at, "nominal"],
        message: text,
        params: coded("contradiction"),
      });
    const { perimeter, perimeterMost = perimeter } = entry.storage;
    if (perimeterMost < perimeter)
      context.addIssue({
        code: "custom",
        path: ["storage", "perimeterMost"],
        message: t("the-longest-turn-is-not-shorter"),
        params: coded("crossed-limits"),
      });
    if (entry.storage.perimeter < 2 * Math.PI * entry.radius)
      context.addIssue({
        code: "custom",
        path: ["storage", "perimeter"],
        message: t("a-stored-turn-must-not-be-tighter"),
        params: coded("bend"),
      });
  });

/** What is left of a layer beyond the sheath, and what lies inside it: the inner one never ends further back. */
const NESTED: readonly (readonly [outer: EntryLength, inner: EntryLength])[] = [
  ["armour", "inner"],
  ["armour", "slit"],
  ["armour", "tube"],
  ["inner", "slit"],
  ["inner", "tube"],
];

/** All that is left beyond the sheath towards the centre mark: it never reaches it. */
const INSIDE: readonly EntryLength[] = ["armour", "inner", "yarn", "members", "ripcords", "slit"];

/** Lengths that cannot both hold: which, and why, in words. */
function clashes(
  lengths: Partial<Record<EntryLength, { readonly nominal: Length }>>,
): { readonly at: EntryLength; readonly message: string }[] {
  const nested = NESTED.flatMap(([outer, inner]) => {
    const [around, within] = [lengths[outer], lengths[inner]];
    return around && within && within.nominal < around.nominal
      ? [
          {
            at: inner,
            message: t("ends-mm-beyond-the-sheath-inside-that", {
              inner,
              nominal: formatMm(within.nominal),
              outer,
              nominal2: formatMm(around.nominal),
            }),
          },
        ]
      : [];
  });
  const { half } = lengths;
  const crossed = INSIDE.flatMap((id) => {
    const left = lengths[id];
    return half && left && left.nominal >= half.nominal
      ? [
          {
            at: id,
            message: t("is-mm-of-the-from-the-sheath", {
              id,
              nominal: formatMm(left.nominal),
              nominal2: formatMm(half.nominal),
            }),
          },
        ]
      : [];
  });
  return [...nested, ...crossed];
}

export type Entry = z.output<typeof zEntry>;
export type EntryDocument = z.input<typeof zEntry>;
