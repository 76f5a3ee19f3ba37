"use client";
import { StepEntry } from "./step-entry";
import { StepFoot } from "./step-foot";
import { StepMain } from "./step-main";
import type { StepProps } from "./step-props";
import { useStepView } from "./use-step-view";
/** The step being done: its figure or its lengths in the middle, what is to be entered and the next action beside it. */
export function StepWork(props: StepProps) {
  const view = useStepView(props);
  const { reading, advices } = view;
  return (
    <section
      aria-labelledby="step"
      className="flex min-h-0 min-w-0 flex-1 flex-col lg:grid lg:grid-cols-[minmax(0,1fr)_350px] lg:grid-rows-[minmax(0,1fr)_auto]"
    >
      <div
        className={`short:overflow-visible min-h-0 flex-1 overflow-y-auto lg:contents ${reading ? "short:max-lg:grid short:max-lg:grid-cols-2" : ""}`}
      >
        <div className="min-w-0 px-4 py-3 lg:row-span-2 lg:min-h-0 lg:overflow-y-auto lg:px-8">
          <StepMain step={props} view={view} />
        </div>
        <div
          className={`px-4 py-2 lg:block lg:min-h-0 lg:overflow-y-auto lg:border-line lg:border-l lg:py-4 ${advices.length > 0 && reading ? "gap-5 md:grid md:grid-cols-2" : ""}`}
        >
          <StepEntry step={props} view={view} />
        </div>
      </div>
      <StepFoot sheet={props.sheet} work={props.work} ends={props.ends} />
    </section>
  );
}
