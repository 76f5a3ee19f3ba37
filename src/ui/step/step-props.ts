import type {
  BladeLine,
  Caution,
  EndState,
  Instrument,
  LengthAim,
  Purpose,
  Rule,
  RunSheet,
  WhereTold,
} from "@/core";
import type { BandView } from "../advice/advice-panel";
import type { Units } from "../words/length-text";
import type { BenchWork } from "../work/use-work";

export interface StepProps {
  readonly sheet: RunSheet;
  readonly work: BenchWork;
  readonly rule: Rule;
  readonly purpose: Purpose;
  readonly units: Units;
  readonly instruments: readonly Instrument[];
  readonly instrument: Instrument;
  readonly cautions: readonly Caution[];
  readonly blades: readonly BladeLine[];
  readonly onInstrument: (id: string) => void;
  readonly onRead: (check: string) => void;
  /** Whether mishaps are shown beside the title: no list of steps has room for them. */
  readonly mishapsHere: boolean;
  readonly way: BandView;
  readonly onWay: (way: BandView) => void;
  /** Every end it is made with: this one, or its whole batch. */
  readonly ends: readonly EndState[];
  readonly simulated: boolean;
  readonly onSimulated: (on: boolean) => void;
  readonly aims: readonly LengthAim[];
  /** Fibres that are parted where it is made. */
  readonly parted: WhereTold["parted"];
  readonly onSeeTo: (tool: string, action: "wipe" | "turn" | "new") => void;
}
