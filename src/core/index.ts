/** The core's only door: pure computation about the work, lengths in whole micrometres. Every name here is used outside. */

export { mustAccept, mustHaveSeen } from "./accept/accept";
export { missingParts, missingText } from "./accept/progress";
export { advise, type EndAdvice, inOrderOfDoing } from "./advice/advise";
export { type Cost, startingOver } from "./advice/from-start";
export { isGlassAtRisk, MISHAPS, type Mishap, mishapEvents } from "./advice/mishaps";
export type { Move, Plan } from "./advice/plan";
export { leastProblem } from "./advice/problem";
export {
  plannedSheet,
  reworkedLegs,
  reworkedSheet,
  TRIM_STEP,
  trimDue,
  trimming,
} from "./advice/reworked-sheet";
export { secondCleave } from "./advice/second-cleave";
export { nextLine, reworkEvent } from "./advice/take";
export { NAME_PARTS, nameBy, patternProblem } from "./batch/names";
export { type BatchEnd, nextInBatch } from "./batch/next";
export { isPlain } from "./batch/plain-step";
export { doneAt, readyAt } from "./batch/ready";
export { planBatch, type Schedule, scheduleIn } from "./batch/schedule";
export { type Stage, stagesOf } from "./batch/stages";
export { type Worked, workedIn } from "./batch/worked";
export { VIOLATIONS, violationText } from "./bench/violation";
export { walk, walkWithWays } from "./bench/walk";
export {
  BESIDE,
  type Cable,
  CONSTRUCTIONS,
  CORES,
  type Core,
  depthOver,
  diameterOf,
  LAYER_KINDS,
  type Layer,
  type LayerKind,
  wallOf,
  zCable,
  zCore,
} from "./cable/cable";
export { FIBRE_COLOURS, type FibreColour, fibreColour } from "./cable/colours";
export { elementsOf } from "./cable/elements";
export { midSpanId, midSpanOf } from "./cable/mid-span";
export { lastSeen, type SeenElement, type SeenFibre, seenFibreText } from "./cable/seen";
export { type GaugeEdge, gaugeEdges } from "./card/gauge";
export { CHECK_BAR, DOWN_BAR_ON_ROLL, type PrinterCorrection, readBars, UNPROVEN } from "./card/printer";
export {
  inchRule,
  mmRule,
  type RuleTick,
  STRIP_OVERLAP,
  type StripMark,
  type StripWindow,
  stripMarks,
  stripWindows,
} from "./card/strip";
export { mustBeAllowed } from "./closure/allowed-events";
export {
  type ClosureEvent,
  type ClosureRecorded,
  zClosureEvent,
} from "./closure/closure-event";
export { type ClosureRecord, closureRecord } from "./closure/closure-record";
export { closureToolsUsed, type FailedClosureTool, failedClosureTools } from "./closure/closure-tools";
export {
  type ClosureWork,
  closureWork,
  openInside,
  redoneSplice,
  type SpliceState,
} from "./closure/closure-work";
export { coolingSplices } from "./closure/cooling";
export {
  CLOSURE_STAGES,
  type ClosureAtWork,
  type ClosureStage,
  type OutputLight,
  type WorkedCable,
  type WorkItem,
} from "./closure/work-items";
export { type Conformance, judge, type Rule, type Verdict, zRule } from "./conformance/conformance";
export { fitsInOtherUnit } from "./conformance/other-unit";
export { type ItemCount, itemSums } from "./consumable/consumables";
export { DIMENSION_LIMIT, FEATURE_LIMIT } from "./dimensions/dimension";
export { type WholeClosure, wholeClosure } from "./drawing/closure";
export { endDrawing, toldPlace } from "./drawing/end";
export { needKey, type PieceShape, pieceDrawing } from "./drawing/piece";
export { type DrawnStretch, drawnStretches } from "./drawing/stretches";
export {
  CLEAVE_WAYS,
  type CleaveFigures,
  type CleaveWay,
  cleaveSeries,
  wayOn,
} from "./drill/cleave-drill";
export {
  DRILL_LOOKS,
  type DrillLook,
  faultsLeft,
  HIDDEN_FAULTS,
  type HiddenFault,
  type Sight,
  secondsToFind,
  sightOf,
} from "./drill/fault-drill";
export {
  BUFFER_GRIPS,
  type BufferGrip,
  eyeAllows,
  farPlace,
  PAIR_PLACES,
  type PairPlace,
  slidesBy,
} from "./drill/hand-drill";
export {
  type BadLook,
  badLookAt,
  beginWork,
  goBackTo,
  offeredSteps,
  stepsLeft,
  takeStep,
  waysAfter,
} from "./drill/work-drill";
export { signOff, takeBackEvent } from "./end/acts";
export { type StepBlocker, stepBlocker } from "./end/blocker";
export { type Clock, overrun, runningClocks, runningPots } from "./end/clocks";
export type { BenchTimer, EndState, ReworkInHand, RunTimer, SeenFault } from "./end/end-state";
export { followsFrom } from "./end/follows";
export { judgeLight, lightStandings } from "./end/light";
export { openPoints } from "./end/open-points";
export {
  dueParts,
  type Forgotten,
  forgottenParts,
  outOfOrder,
  overFaceEvents,
  partsNeededAt,
  restartEvent,
} from "./end/parts";
export { type CheckStanding, judgeCheck, type OtherSide, resultOf, standings } from "./end/result";
export { firstCut, type RetryOffer, retriesOffered, retryEvent } from "./end/retry";
export { applied, discardEvent, endState, shardsMissing } from "./end/state";
export { skippedSteps, type Undone, undoneAt } from "./end/undone";
export { cablesAlike } from "./entry/alike";
export { beforeCut } from "./entry/before-cut";
export { bestPorts } from "./entry/best-ports";
export {
  asRole,
  type ClosureCable,
  type ClosurePlan,
  cableText,
  ENDING_ROLES,
  liftedClosure,
  type Through,
  zClosurePlan,
} from "./entry/closure";
export { ENTRY_LENGTHS, type Entry, type EntryDocument, type EntryLength, zEntry } from "./entry/entry";
export {
  type EntrySheet,
  entryProcedure,
  throughId,
  throughProcedure,
  WITH_CLOSURE,
  zEntrySheet,
} from "./entry/entry-procedure";
export { type PlacedCable, type PortsTaken, placeCables, portsBy, portTrouble } from "./entry/placing";
export { PORT_LIMIT, PORT_ROLES, type Port, type PortRole, zPortsInput } from "./entry/ports";
export { openingOf, type PreparedRow, preparedRows, throughRows } from "./entry/prepared";
export { openingIn, type ThroughOpening, throughOf } from "./entry/through";
export { sheathWindow, zWindowInput } from "./entry/window";
export {
  ENVELOPED_FROM,
  EVENT_VERSION,
  type EventRow,
  eventOfVersion1,
  liftedFrom2,
  readEvent,
  zEnvelope,
} from "./event/envelope";
export { type EndEvent, type EventInput, type Reading, zEvent, zStoredEvent } from "./event/event";
export { type Judged, type KeptVerdict, RESULTS, type Result } from "./event/judged";
export { PICTURES, type Signature } from "./event/kinds/closing";
export { FAULT_NAMES, type Fault } from "./event/kinds/faults";
export { LONGEST_READING } from "./event/kinds/length-schema";
export { PURPOSES, type Purpose, type Recorded } from "./event/recorded";
export { dualUnitCheck } from "./length/dual-unit";
export { lbfInchOf, lbfOf } from "./length/force";
export { formatInch, formatMm, nearestFraction, workingFraction } from "./length/format";
export { type Length, mm, toMm, um, zMm } from "./length/length";
export { readCount, readMetres, readMetresOrNone, readPerCent, readShare, UNSAID } from "./length/metres";
export { parseLength, type WrittenLength } from "./length/parse";
export {
  type EndFace,
  FACE_KINDS,
  FACE_ZONES,
  type FaceKind,
  type FaceMark,
  gradeFace,
  zoneDiameter,
} from "./light/end-face";
export { glowOf, parseGlowLine, simulatedGlow } from "./light/fault-light";
export { longerDrop, oneMoreJoint } from "./light/feeder-costs";
export {
  dropLoss,
  type FeederJoint,
  type FeederPlan,
  type JointLight,
  jointLights,
  leastMargin,
  NEW_FEEDER,
  tapChoices,
  tapsInput,
  tapsToBring,
  withBestTaps,
  withJoint,
  withTap,
  withTaps,
  zFeederPlan,
} from "./light/feeder-plan";
export {
  LIGHT_FROM,
  type LightReading,
  type LightReference,
  type LightTry,
  WAVELENGTHS,
  type Wavelength,
  zReference,
} from "./light/light-reading";
export { type LightRow, readLightTable } from "./light/light-table";
export { endedBy, LOSS_LIMITS, triesFor, usualLimit } from "./light/limits";
export { isMeterLine, meterLine, parseMeterLine, SIMULATED_METER, simulatedPower } from "./light/meter-line";
export { newestReference, readPowers, referenceTrouble, type StaleReference } from "./light/reference";
export { type LinkClosure, type LinkPart, type LinkPiece, linkFrom } from "./link/link";
export { explainExcess, linkLoss, type Measured } from "./link/link-loss";
export { asMade, presentFeatures } from "./measured/as-made";
export { belongsTo } from "./measured/belongs";
export { canBeNegative } from "./measured/either-side";
export { capital } from "./names/capital";
export type { ClosureId, EndId, FeederId, JobId, PieceId } from "./names/ids";
export { compute, operations } from "./operations/operations";
export { type Crew, crewAfter, crewFrom, mustStand, passkeysOf, pinOf, rolesOf } from "./people/crew";
export {
  type CrewChange,
  type CrewEvent,
  type CrewRecorded,
  PROOFS,
  type ProofKind,
  ROLES,
  type Role,
  zCrewEvent,
  type zNewToken,
} from "./people/crew-event";
export {
  mustBeAcceptable,
  type Person,
  peopleFrom,
  personBy,
  personNamed,
} from "./people/people";
export { type SlackTold, slackAccount, slackAllowed, slackBehind } from "./piece/account";
export { type Across, across, choicesWith, sideMismatches } from "./piece/across";
export {
  type Address,
  addressText,
  parseAddress,
  TOWARDS,
  zAddress,
} from "./piece/address";
export { bendsOf, type PartBend } from "./piece/bend";
export { type CutGroup, type CutLine, cutGroups } from "./piece/cut-list";
export { type Dragged, draggedTo, steppedBy, withDragged } from "./piece/dragged";
export { type Identity, type Marked, marked } from "./piece/identity";
export {
  type Need,
  type NeedFigure,
  type PieceNeeds,
  type PieceParts,
  pieceNeeds,
  type SideSheet,
  type Unsaid,
} from "./piece/needs";
export { opened } from "./piece/opened";
export { type SheathOpening, stationName } from "./piece/openings";
export { fibresText, readFibres, withParted } from "./piece/parted";
export {
  addressesFor,
  cableAt,
  cutElements,
  farEnds,
  fibresAt,
  isSide,
  ontoCable,
  opensOf,
  type Place,
  type PlaceAsked,
  type PlaceSide,
  type PlannedEnd,
  partedAt,
  placeKey,
  placeSides,
  placeText,
  plannedEnds,
  type Shelved,
  sideText,
  zPlace,
  zPlaceSide,
} from "./piece/places";
export {
  type Loop,
  liftedPlan,
  type PiecePlan,
  type RouteStretch,
  SIDES,
  type SideName,
  STRETCHES,
  zPiecePlan,
} from "./piece/plan";
export { planParts } from "./piece/plan-parts";
export {
  DONE,
  isDone,
  type PlaceStanding,
  type Progress,
  progressOf,
  STANDINGS,
  standingOfEnd,
} from "./piece/standing";
export { CUT_ENDS, CUT_PLACES, type CutPlace, type Parted, type Station, zStationId } from "./piece/station";
export { fibreIn, tubesOf } from "./piece/tubes";
export { attempt } from "./problem/attempt";
export { asWritten, check, problemOf } from "./problem/check";
export { type ErrorCode, isErrorCode, STATUS_OF } from "./problem/codes";
export { mustHold, mustHoldAt } from "./problem/held";
export { hasLists, isRecord } from "./problem/is-record";
export { asError, InputError, type Outcome, ok, type Problem, refuse } from "./problem/problem";
export type { Condition, Picked } from "./procedure/condition";
export { cablesFor, type Misfit, misfits, proceduresFor, type Style, styleOf } from "./procedure/fit";
export { liftedProcedure, renamedProcedure } from "./procedure/lift";
export { STEP_ACTS, type StepAct, SUBJECTS, type Subject } from "./procedure/physical";
export {
  type Choice,
  type Confirmation,
  optionsFor,
  type Procedure,
  type ProcedureDocument,
  type ProcedurePart,
  pickedNames,
  type StatedDimension,
  withDefaults,
  zProcedure,
} from "./procedure/procedure";
export { REMEDY_ACTS, RETRY_ACTS, type RemedyAct, type RetryAct } from "./procedure/remedy";
export { schoolsOf } from "./procedure/schools";
export type { Setting } from "./procedure/setting";
export {
  checksOf,
  isHandsFree,
  type Judgement,
  judgementOf,
  readsLight,
  type Step,
} from "./procedure/step";
export {
  type Caution,
  type Instrument,
  instrumentsFor,
  type Meter,
  type Tool,
  zCaution,
  zInstrument,
  zMeter,
  zTool,
} from "./procedure/tool";
export { type EndRecord, type RecordDocument, zRecord } from "./record/document";
export { drawnEnd } from "./record/drawn";
export { type LegTold, legsTold } from "./record/legs";
export { type OpenTold, openTold } from "./record/open";
export {
  type Projected,
  type Projections,
  projectionsOf,
  type ReadingRow,
  readingRow,
  type UseRow,
  usedIn,
  type VerdictRow,
  verdictRow,
} from "./record/projections";
export { type Recordable, recordOf } from "./record/record";
export { isSetBack } from "./record/set-back";
export type { ToolRecord, ToolStood } from "./record/tool-checks";
export { adviceOn } from "./review/advice";
export { type Contradiction, contradictionsOf, variantsOf } from "./review/contradictions";
export { type FirstLook, firstLooks } from "./review/first-look";
export { chosenPlacements, placementOf, usualPlacements } from "./review/placements";
export { type Review, review, secondLook } from "./review/review";
export { strainsOf } from "./review/strains";
export { toolingAdvice } from "./review/tooling";
export { type NewLength, withLength, withLook } from "./revision/add";
export { assembled, type DraftBasis } from "./revision/assemble";
export { asOwn } from "./revision/changed";
export { type Change, compareProcedures, type RevisionLine } from "./revision/compare";
export { farEnd, figureFrom, switchDatum, withFigureFrom, workedFrom } from "./revision/datum";
export { draftFromLengths, type LengthRow, usualSide } from "./revision/draft";
export {
  asConfirmed,
  figuresToConfirm,
  isAsShown,
  type SheetFigure,
  withConfirmed,
} from "./revision/figures";
export { type DraftKit, zDraftKit } from "./revision/kit";
export { type Side, usualTool } from "./revision/planned-length";
export type { ReworkInput } from "./rework/problem";
export { rework } from "./rework/rework";
export { compileRunSheet } from "./runsheet/compile";
export type { Check, Line, Prediction, RunSheet, SheetFeature, SheetLength } from "./runsheet/document";
export { sheetDocument, zRunSheet } from "./runsheet/document";
export { resolved } from "./runsheet/resolved";
export { featureOf, isMidRun, layersAfter, onLeg, workedTo } from "./runsheet/runsheet";
export {
  type InterfaceAsked,
  type ResolvedSelection,
  resolveSheet,
  type SheetShelf,
} from "./runsheet/selection";
export { type Seat, seatOf } from "./seat/seat";
export { markedName, marksHeld, marksInHand, standingInHand, toolMarks, zMark } from "./shift/marks";
export { type CheckKind, questionsOf, zCheckKind } from "./shift/questions";
export { isOfShift } from "./shift/standing";
export {
  biasAllowed,
  type CheckSights,
  judgeToolCheck,
  type ToolToCheck,
  zCheckSights,
  zToolToCheck,
} from "./shift/tool-check";
export { toolsUsed } from "./shift/tools-used";
export { drawsFor, hiddenLength, SIMULATED, shownBy } from "./simulated/hidden-end";
export { type Device, deviceName, leadName } from "./splice/device";
export {
  colourTyped,
  cutEndsOf,
  type FibreEnd,
  fibreEndBrief,
  fibreEndText,
  fibreKey,
  fibreShown,
  fibreTotal,
  hasRibbons,
  PIGTAIL,
  type SplicedCable,
  splicedCable,
} from "./splice/fibres";
export { openJoint, splicedIn } from "./splice/open-joint";
export { type Joint, readSplices, ringClosed, straight, toPigtails, tubeToTube } from "./splice/patterns";
export { reviewSplices, type SpliceProblem } from "./splice/splice-check";
export { NO_SPLICES, type Splice, type SplicePlan, splicesByEnd } from "./splice/splice-plan";
export {
  isSplicerLine,
  parseSplicerLine,
  simulatedSplice,
  splicerLine,
} from "./splice/splicer-line";
export { type Splicing, type SplicingStep, splicingFor, splicingUses, zSplicing } from "./splice/splicing";
export { type Aim, aimOf, FEWEST_ENDS, type Index, type LengthAim } from "./study/aim";
export { FEWEST_READINGS, repeatabilityOf, STUDY_READINGS } from "./study/repeatability";
export { type BladeCount, type BladeLine, bladeStanding, UNUSED } from "./tally/blade";
export { countedEvent, counterOf, countsOf } from "./tally/counter";
export { leavingEvents } from "./tally/leaving";
export { spentAt } from "./tally/spent";
export { type LayingStep, layingOrder, loopShape, slotShapes } from "./tray/laying";
export { type TrayList, trayLists } from "./tray/tray-lists";
export { laidIn, slotAt, slotsFor, slotText, type TraySet } from "./tray/tray-set";
export {
  type RecordChecked,
  type RecordFinding,
  type Seal,
  zBackupsAnswer,
  zBenchAnswer,
  zProcedureText,
  zRevisionAnswer,
  zSeal,
  zSealAnswer,
} from "./wire/answers";
export { zEnter, zMerge, zNewPerson, zRename } from "./wire/crew-requests";
export type { CrewAnswer } from "./wire/crew-routes";
export { zBatch, zBatchQuery, zBenchQuery, zPhotoQuery, zStart } from "./wire/ends-requests";
export {
  BATCH_LIMIT,
  zAdd,
  zAddInside,
  zAddMany,
  zAddManyInside,
  zEventsAnswer,
} from "./wire/events";
export { type JobPlan, zJobPlan, zOpenPlan } from "./wire/job-plan";
export {
  type Ahead,
  type Closure,
  type ClosureAnswer,
  type FarEnd,
  type FarSide,
  type Job,
  type PartedTold,
  type Piece,
  type PieceAnswer,
  type WhereTold,
  zJobsAnswer,
} from "./wire/jobs";
export { jsonSchemas } from "./wire/json-schema";
export { JOB_PRINT_PARTS, type JobPrintPart, zLedgerQuery, zRecordCheck } from "./wire/keeping-requests";
export {
  type CrewReference,
  type FeederAnswer,
  type zFeederSaved,
  zNewFeeder,
  zNewReference,
  zSaveFeeder,
} from "./wire/light";
export { type LinkAnswer, zLinkQuery } from "./wire/link";
export {
  zAddClosureEvents,
  zBeginClosure,
  zBeginPlaces,
  zCableQuery,
  zJobQuery,
  zJobsQuery,
  zNewClosure,
  zNewJob,
  zNewPieces,
  zPlaceQuery,
  zSaveClosure,
  zSavePlan,
  zStyle,
} from "./wire/plans-requests";
export { type Media, type RouteSpec, zBy } from "./wire/route";
export { API, type ApiKey, type RouteParams } from "./wire/routes";
export { zConfirm, zPutAway, zRestore, zSave } from "./wire/shelf-requests";
export {
  type DrillResultRow,
  type ToolCheck,
  type ToolStanding,
  type zNewDrillResult,
  zNewToolCheck,
  type zOpenLot,
} from "./wire/shift-routes";
export { zAimQuery, zStudy, zToolEvent } from "./wire/workshop-requests";
export type { YieldHere, zYieldQuery } from "./wire/yield-routes";
export { type Saying, setTexts, type Values } from "./words/wording";
export type { BladeOnRecord, Insight, RunOnRecord, WayOnRecord, WeekOnRecord } from "./yield/answers";
export { turnCosts } from "./yield/blade-cost";
export { ABSENT, type Cause, causesOf, type EndFacts } from "./yield/causes";
export { compareCosts } from "./yield/cost";
export { driftOf } from "./yield/drift";
export { effortFor } from "./yield/effort";
export { partsFor } from "./yield/stock";
export type { StyleNeed } from "./yield/style-need";
export { besideTheRest, pooledRecords, pooledYields, type YieldRow, yieldInterval } from "./yield/yields";
