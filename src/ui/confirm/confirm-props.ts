import type { Cable, PlaceAsked, Procedure } from "@/core";

export interface ConfirmProps {
  readonly procedure: Procedure;
  readonly cable: Cable;
  readonly core: string;
  readonly choices: Readonly<Record<string, string>>;
  /** Where on a piece the cable is opened out; none for a cable of the shelf. */
  readonly place?: PlaceAsked | undefined;
  readonly onClose: () => void;
  /** The figures are kept as a revision of the user's own. */
  readonly onKept: (revision: number) => void;
  /** Not now: the end is begun with figures still to be checked, and says so. */
  readonly onLater: () => void;
}
