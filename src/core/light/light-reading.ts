import { z } from "zod";
import { said } from "../words/core";
import { zDb, zLossDb } from "./light";

/** Wavelengths light is measured at, nanometres (ANSI/TIA-568.3, ITU-T G.652, from memory). */
export const WAVELENGTHS = [850, 1300, 1310, 1490, 1550, 1625] as const;
export type Wavelength = (typeof WAVELENGTHS)[number];

/** What was done just before a reading of light, the first reading aside. */
export const LIGHT_TRIES = ["first", "cleaned", "inspected", "referenced", "seated", "reworked"] as const;
export type LightTry = (typeof LIGHT_TRIES)[number];

/** From which end the light goes in: the end at hand, or the other end of its fibre. */
export const LIGHT_FROM = ["here", "far"] as const;

const zText = z
  .string()
  .trim()
  .min(1, said("enter-a-name-for-it"))
  .max(80, said("enter-at-most-80-characters"));
const zPowers = z
  .array(zDb)
  .min(1, said("enter-at-least-one-reading"))
  .max(30, said("enter-at-most-30-readings"));
const zCelsius = z.number().min(-60).max(80).nullable();

/** A reference as it was taken: the source through its own cord, and what it was taken with. */
export const zReference = z.strictObject({
  taken: z.iso.datetime(),
  wavelength: z.literal([...WAVELENGTHS]),
  source: zText,
  cord: zText,
  /** dBm, each after mating again. */
  dBm: zPowers,
  celsius: zCelsius,
});
export type LightReference = z.output<typeof zReference>;

/** Light read through an end, with the reference it is held to: all that its loss follows from. */
export const zLight = z.strictObject({
  kind: z.literal("light"),
  read: z.iso.datetime(),
  from: z.enum(LIGHT_FROM),
  reference: zReference,
  /** Readings made with that reference before this one, each a mating of its cord. */
  matings: z.int().min(0).max(10_000),
  meter: z.strictObject({
    id: z.string().max(80),
    name: zText,
    resolution: zLossDb,
    repeatability: zLossDb,
    /** How much the same connection differs from mating to mating. */
    mating: zLossDb,
  }),
  dBm: zPowers,
  celsius: zCelsius,
  limitDb: zLossDb,
  /** Whose limit that is. */
  limitFrom: zText,
  tried: z.enum(LIGHT_TRIES),
});
export type LightReading = z.output<typeof zLight>;
