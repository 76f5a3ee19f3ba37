import type { Style } from "@/core";

/** What a procedure comes to: a connector on an end, a cable prepared or fanned out, a closure's entry. */
type StyleKind = "connector" | "kit" | "entry";

const KITS: readonly string[] = ["breakout-kit", "central-tube-ribbon", "cord-preparation"];

export const kindOf = ({ family }: Pick<Style, "family">): StyleKind => {
  if (family === "closure-entry") return "entry";
  return KITS.includes(family) ? "kit" : "connector";
};

/** The choice that says which interface a connector mates with. */
const INTERFACE = "interface";

/** A type of connector, as people ask for it first; how it goes on comes second. */
interface ConnectorType {
  readonly id: string;
  readonly name: string;
  readonly styles: readonly string[];
  /** What picking it says of a style: its interface. */
  readonly choices: Readonly<Record<string, string>>;
}

const interfacesOf = ({ choices }: Style) => choices.find(({ id }) => id === INTERFACE)?.options ?? [];

/** The types of connector among styles, those most styles have first; a style with no interface to pick is a type itself. */
export function connectorTypes(styles: readonly Style[]): ConnectorType[] {
  const types = new Map<string, ConnectorType>();
  for (const style of styles.filter((each) => kindOf(each) === "connector")) {
    const options = interfacesOf(style);
    const named =
      options.length > 0
        ? options.map(({ id, name }) => ({ id, name, choices: { [INTERFACE]: id } }))
        : [{ id: style.family, name: style.name.split(",", 2).join(","), choices: {} }];
    for (const { id, name, choices } of named) {
      const before = types.get(id);
      types.set(id, {
        id,
        name: before?.name ?? name,
        choices,
        styles: [...(before?.styles ?? []), style.id],
      });
    }
  }
  return [...types.values()].sort((a, b) => b.styles.length - a.styles.length);
}
