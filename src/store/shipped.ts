import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { z } from "zod";
import {
  type Cable,
  type Caution,
  check,
  InputError,
  type Instrument,
  type Procedure,
  type Tool,
  zCable,
  zCaution,
  zInstrument,
  zProcedure,
  zTool,
} from "@/core";

/** Everything that comes with the product, validated. */
export interface Library {
  readonly cables: readonly Cable[];
  readonly procedures: readonly Procedure[];
  readonly tools: readonly Tool[];
  readonly instruments: readonly Instrument[];
  readonly cautions: readonly Caution[];
}

const folder = process.env.ARLENT_LIBRARY ?? join(process.cwd(), "library");

function read<S extends z.ZodType>(file: string, schema: S): z.output<S> {
  try {
    return check(schema, JSON.parse(readFileSync(join(folder, file), "utf8")));
  } catch (error) {
    if (error instanceof InputError)
      throw new InputError(error.problem.code, `${file}: ${error.problem.message}`, error.problem.path);
    throw error;
  }
}

const documents = <S extends z.ZodType>(kind: string, schema: S): z.output<S>[] =>
  readdirSync(join(folder, kind))
    .filter((file) => file.endsWith(".json"))
    .sort()
    .map((file) => read(join(kind, file), schema));

let kept: Library | undefined;

/**
 * The shipped library, read and validated once a process.
 * @throws InputError naming the file and field that is wrong.
 */
export function shippedLibrary(): Library {
  kept ??= {
    cables: documents("cables", zCable),
    procedures: documents("procedures", zProcedure),
    tools: read("tools.json", z.array(zTool)),
    instruments: read("instruments.json", z.array(zInstrument)),
    cautions: read("cautions.json", z.array(zCaution)),
  };
  return kept;
}
