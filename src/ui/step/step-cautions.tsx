import { Cautions } from "./cautions";
import type { StepProps } from "./step-props";

/** The cautions of the step in hand. */
export const StepCautions = ({ work, cautions }: Pick<StepProps, "work" | "cautions">) => (
  <Cautions
    cautions={work.line.step.cautions.flatMap((caution) => cautions.find(({ id }) => id === caution) ?? [])}
  />
);
