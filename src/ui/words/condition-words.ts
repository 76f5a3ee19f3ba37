import type { Condition, Procedure, ProcedureDocument } from "@/core";

type Written = NonNullable<ProcedureDocument["dimensions"][number]["when"]>;

/**
 * When something holds, as it would be said: `jacket 1.9 to 2.1; interface LC`.
 * @param mm a diameter of the condition in millimetres, as it is to be shown.
 */
export function conditionWords(
  { layer, choice, core, grip, without }: Written | Condition,
  { choices = [] }: Pick<ProcedureDocument | Procedure, "choices">,
  mm: (diameter: number) => string,
): string {
  const clauses = Object.entries(choice ?? {}).map(([id, options]) => {
    const choice = choices.find((choice) => choice.id === id);
    const names = options.map(
      (option) => choice?.options.find((eachOption) => eachOption.id === option)?.name ?? option,
    );
    return `${(choice?.name ?? id).toLowerCase()} ${names.join(" or ")}`;
  });
  return [
    layer ? `${layer.kind} ${mm(layer.diameter.min)} to ${mm(layer.diameter.max)}` : null,
    ...clauses,
    core ? core.join(" or ") : null,
    grip ? `${grip.join(" or ")} buffer` : null,
    without ? `without ${without.join(" and ")}` : null,
  ]
    .filter((name) => name !== null)
    .join("; ");
}
