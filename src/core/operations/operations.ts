import { z } from "zod";
import { judge, zConformanceInput } from "../conformance/conformance";
import { zDimensionsInput } from "../dimensions/dimension";
import { closeLimits } from "../dimensions/dimensions";
import { bestPorts } from "../entry/best-ports";
import { zPortsInput } from "../entry/ports";
import { sheathWindow, zWindowInput } from "../entry/window";
import { lightAlong, zLightInput } from "../light/light";
import { judgeLoss, zLossInput } from "../light/loss";
import { chooseTaps, zTapsInput } from "../light/taps";
import { chooseTapsInStock, zStockedTapsInput } from "../light/taps-in-stock";
import { identity, zIdentityInput } from "../piece/identity";
import { fibreLength, zLayInput } from "../piece/lay";
import { hang, zSagInput } from "../piece/sag";
import { check } from "../problem/check";
import { InputError } from "../problem/problem";
import { lengthOfMarks, markCuts, zMarkLengthInput, zMarksInput } from "../reel/marks";
import { cutFromReels, zReelsInput } from "../reel/reels";
import { zReworkInput } from "../rework/problem";
import { rework } from "../rework/rework";
import { cutLength, zCutLengthInput } from "../slack/cut-length";
import { retriesFor, zRetriesInput } from "../slack/retries";
import { stackErrors, zStackInput } from "../stack/stack";
import { layLoops, zLoopsInput } from "../tray/loops";
import { giveSlots, zTraysInput } from "../tray/trays";
import { say } from "../words/core";
import { compareCosts, zCostInput } from "../yield/cost";
import { driftOf, zDriftInput } from "../yield/drift";
import { partsFor, zStockInput } from "../yield/stock";
import {
  zConformanceAnswer,
  zCostAnswer,
  zCutLengthAnswer,
  zDimensionsAnswer,
  zDriftAnswer,
  zIdentityAnswer,
  zLayAnswer,
  zLightAnswer,
  zLoopsAnswer,
  zLossAnswer,
  zMarkLengthAnswer,
  zMarksAnswer,
  zPortsAnswer,
  zReelsAnswer,
  zRetriesAnswer,
  zReworkAnswer,
  zSagAnswer,
  zStackAnswer,
  zStockAnswer,
  zTapsAnswer,
  zTraysAnswer,
  zWindowAnswer,
} from "./answers";

/** A computation: what it takes, what it answers, and the function between the two, at once or in time. */
interface Operation<I extends z.ZodType, O extends z.ZodType> {
  readonly input: I;
  readonly output: O;
  readonly run: (input: z.output<I>) => z.output<O> | Promise<z.output<O>>;
}

const operation = <I extends z.ZodType, O extends z.ZodType>({ input, output, run }: Operation<I, O>) => ({
  input,
  output,
  /** From plain JSON to plain JSON, lengths in millimetres on both sides. */
  run: async (given: unknown): Promise<unknown> => z.encode(output, await run(check(input, given))),
});

/** Every computation that can be asked for from outside, by name. Lengths are millimetres in and out. */
export const operations = {
  dimensions: operation({ input: zDimensionsInput, output: zDimensionsAnswer, run: closeLimits }),
  stack: operation({ input: zStackInput, output: zStackAnswer, run: stackErrors }),
  conformance: operation({ input: zConformanceInput, output: zConformanceAnswer, run: judge }),
  rework: operation({ input: zReworkInput, output: zReworkAnswer, run: rework }),
  "cut-length": operation({ input: zCutLengthInput, output: zCutLengthAnswer, run: cutLength }),
  retries: operation({ input: zRetriesInput, output: zRetriesAnswer, run: retriesFor }),
  sag: operation({ input: zSagInput, output: zSagAnswer, run: hang }),
  lay: operation({ input: zLayInput, output: zLayAnswer, run: fibreLength }),
  window: operation({ input: zWindowInput, output: zWindowAnswer, run: sheathWindow }),
  ports: operation({ input: zPortsInput, output: zPortsAnswer, run: bestPorts }),
  identity: operation({ input: zIdentityInput, output: zIdentityAnswer, run: identity }),
  loops: operation({ input: zLoopsInput, output: zLoopsAnswer, run: layLoops }),
  trays: operation({ input: zTraysInput, output: zTraysAnswer, run: giveSlots }),
  reels: operation({ input: zReelsInput, output: zReelsAnswer, run: cutFromReels }),
  marks: operation({ input: zMarksInput, output: zMarksAnswer, run: markCuts }),
  "mark-length": operation({ input: zMarkLengthInput, output: zMarkLengthAnswer, run: lengthOfMarks }),
  light: operation({ input: zLightInput, output: zLightAnswer, run: lightAlong }),
  taps: operation({ input: zTapsInput, output: zTapsAnswer, run: chooseTaps }),
  "stocked-taps": operation({ input: zStockedTapsInput, output: zTapsAnswer, run: chooseTapsInStock }),
  loss: operation({ input: zLossInput, output: zLossAnswer, run: judgeLoss }),
  stock: operation({ input: zStockInput, output: zStockAnswer, run: partsFor }),
  cost: operation({ input: zCostInput, output: zCostAnswer, run: compareCosts }),
  drift: operation({ input: zDriftInput, output: zDriftAnswer, run: driftOf }),
} as const;

export type OperationName = keyof typeof operations;

const isOperation = (name: string): name is OperationName => Object.hasOwn(operations, name);

/**
 * Runs one operation on plain JSON.
 * @returns plain JSON, lengths in millimetres; rejects with an InputError for an unknown operation or bad input.
 * @example compute("identity", { perTube: 12, tubes: 3, number: 14 })
 * // { number: 14, tube: { position: 2, code: "OR", tracers: 0 }, fibre: { position: 2, code: "OR", tracers: 0 } }
 */
export async function compute(name: string, input: unknown): Promise<unknown> {
  if (!isOperation(name))
    throw new InputError(
      "unknown-operation",
      say("no-operation-there-are", {
        name: name.slice(0, 60),
        operations: Object.keys(operations).join(", "),
      }),
    );
  return operations[name].run(input);
}
