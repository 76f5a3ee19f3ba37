import type { ComponentProps, ReactNode } from "react";
import { useId } from "react";
import { Input } from "./input";

interface FieldProps extends Omit<ComponentProps<"input">, "title" | "about"> {
  readonly title: ReactNode;
  /** What stands below it: what it is for. */
  readonly about?: ReactNode;
  /** Why what was typed is not taken; empty where it is. */
  readonly problem?: string | undefined;
  readonly large?: boolean;
}

/** A line to type in, with its name above it and what is wrong with it below. */
export function Field({ title, about, problem, large = false, className = "", ...props }: FieldProps) {
  const id = useId();
  return (
    <div className={`grid gap-1 ${className}`}>
      <label htmlFor={props.id ?? id} className="font-semibold">
        {title}
      </label>
      <Input
        maxLength={300}
        {...props}
        id={props.id ?? id}
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem === undefined ? undefined : `${id}-problem`}
        strong={large}
        className="w-full"
      />
      {about && <span className="text-soft text-sm">{about}</span>}
      {problem !== undefined && (
        <p id={`${id}-problem`} role="alert" className="text-out empty:hidden">
          {problem}
        </p>
      )}
    </div>
  );
}
