// Everything other packages may use of core, room by room. What is not listed is private.

// accounts
export {
  alignAccounts,
  contradictions,
  type Differing,
  differenceKey,
  type Row as AccountRow,
} from './accounts/align.ts';
export { type Atom, atomsOf } from './accounts/atoms.ts';
export { type Choice as AccountChoice, settleSteps } from './accounts/settle.ts';
export {
  type Finding,
  type FindingCode,
  type Path,
  type Severity,
  severities,
} from './base/finding.ts';
// base
export {
  AccessId,
  AccountId,
  AssetId,
  ChartId,
  CodeId,
  ControlId,
  ControllerId,
  EventId,
  FamilyId,
  HazardId,
  InputId,
  InstrumentId,
  MachineId,
  MeaningId,
  ModeId,
  NodeId,
  PanelId,
  ParameterId,
  PartId,
  PlaceId,
  ReadoutId,
  RouteId,
  SignId,
  SourceId,
  StageId,
  SymptomId,
  VariantId,
  WalkId,
} from './base/ids.ts';
export { canonicalJson, type Json, sameJson } from './base/json.ts';
export {
  baseUnit,
  formatQuantity,
  parseReading,
  type Quantity,
  quantities,
  type Reading,
  type ReadingError,
  typedStep,
  unitNames,
} from './base/quantity.ts';
export { seeded } from './base/random.ts';
export { assertNever, fail, ok, type Result } from './base/result.ts';
export { Role, roleAtLeast, roles } from './base/role.ts';
export { Label, Prose, Scope, type Span, Standing, scopes, standings } from './base/text.ts';
// chart
export {
  amountOf,
  type BandError,
  type BandKnown,
  bandCurve,
  betaCelsius,
  betaOhm,
  celsiusOf,
  computeBand,
  elementOhm,
  type GoodBand,
  needsTemperature,
  type Parameters,
  steinhartHartOhm,
  tableOhm,
} from './chart/band.ts';
export { chartsCalled } from './chart/calls.ts';
export { type MeasureCaution, measureCautions } from './chart/cautions.ts';
export { type Choice, cannotTell, choicesOf, otherwise } from './chart/choices.ts';
export {
  assemble,
  chartOf,
  type Drawn,
  drawnOf,
  freshId,
  headOf,
  plainLabel,
} from './chart/drawn.ts';
export {
  addAnswer,
  addStep,
  changeKind,
  indentStep,
  insertChart,
  leadTo,
  moveAnswer,
  moveStep,
  outdentStep,
  type Place,
  placeOf,
  removeAnswer,
  removeStep,
  renameAnswer,
} from './chart/edit.ts';
export { fillChart } from './chart/fill.ts';
export { guessHead, readChartText, type TextNote } from './chart/from-text.ts';
export { causesAhead } from './chart/graph.ts';
export { lintCharts } from './chart/lint-uses.ts';
export {
  accuracyOf,
  bandHere,
  formatTaken,
  type Measured,
  type MeasureError,
  measure,
  readingsNeeded,
  settledBy,
  type TypedReading,
} from './chart/measure.ts';
export { parseMermaid, printMermaid } from './chart/mermaid.ts';
export {
  mostNodes,
  type OutlineRow,
  outlineRows,
  parseOutline,
  printOutline,
} from './chart/outline.ts';
export { probePoints } from './chart/probes.ts';
export { slopeOf, timeTo } from './chart/slope.ts';
export { touchedBy } from './chart/touched.ts';
export { judgeReading, type Named, type ReadingVerdict } from './chart/verdict.ts';
export {
  type ChartKnown,
  type ChartWalk,
  type Given,
  minutesAhead,
  readingsOnPath,
  walkChart,
} from './chart/walk.ts';
// find
export { codeDistance, type Difference, differences, plainCode, squeezed } from './code/alike.ts';
export { circlesOfConsequence, type Folded, foldConsequences } from './code/consequences.ts';
export { genericMeaning } from './code/generic.ts';
export { codeIdOf } from './code/id.ts';
export { type Attempts, attemptsSoFar } from './code/lock-out.ts';
export { lockOutMs, type ProveRun, proveRun } from './code/prove.ts';
export { type Heard, readSaid, type SaidAs, type SaidReading } from './decode/caller.ts';
export { asTold, compareReadings, looksOf, type ReadDiffering } from './decode/compare.ts';
export { confirmAt, type SweepItem, showsCode, sweepPlan } from './decode/controllers.ts';
export {
  type Candidate,
  type Decoded,
  type Disagreement,
  decode,
  isTold,
  type Listed,
  type Misread,
} from './decode/decode.ts';
export { type Elsewhere, readElsewhere } from './decode/elsewhere.ts';
export { partsSeen } from './decode/evidence.ts';
export { lintReadout } from './decode/lint.ts';
export { literalOf, type TakenAs } from './decode/literal.ts';
export { type LookAlike, lookAlikes, type Slip } from './decode/look-alikes.ts';
export type { NextLook } from './decode/next-look.ts';
export { runVectors, type VectorRun } from './decode/vectors.ts';
// exchange
export {
  type ImportDefaults,
  type ImportedBody,
  type ImportRow,
  type Mapping,
  planCodeImport,
  writeCodeTable,
} from './exchange/code-import.ts';
export { columns as codeColumns, guessMapping } from './exchange/columns.ts';
export { writeReadings } from './exchange/readings.ts';
export { writeScxml } from './exchange/scxml.ts';
export { readSeries, type Series, type SeriesError } from './exchange/series.ts';
export { guessEncoding, readTable, type Table, type TableError, writeCsv } from './exchange/table.ts';
export { type Found, find, type Why } from './find/find.ts';
export { type CodeMatch, findCodes } from './find/find-code.ts';
export { buildFindIndex, type FindDoc, type FindFamily, type FindIndex, findFamilyOf } from './find/index-build.ts';
export { type Advice, adviceAfter } from './gesture/advice.ts';
export { type Beat, type CardTime, coachClock } from './gesture/beat.ts';
export { type CoachCard, coachCards, controlsAfter, type HandAct } from './gesture/coach.ts';
export { type Dial, type DialError, type DialPress, dialPresses } from './gesture/dial.ts';
export { interlockWords } from './gesture/lint.ts';
export { stepSpan, stepsSpan } from './gesture/timing.ts';
export { choicesAt, type Nameable } from './library/choices-at.ts';
export { applyChanges, type Change, diff, invertChanges } from './library/diff.ts';
export { blocksPublishing, findingsOfChart, findingsOfRoute, lint, stationOf } from './library/lint.ts';
// source
export { type Leaning, leaningOn } from './library/look-again.ts';
export { bundleMigrations, type DocumentMigration, migrateBundle } from './library/migrate.ts';
export { type Names, namesIn, type Thing } from './library/names.ts';
export { type Problem, pathText, problemsOf, readBundle, readOneEntry } from './library/read.ts';
export { rename, type Use, usesOf } from './library/rename.ts';
export { forSharing } from './library/share.ts';
export { unknownNames, validate } from './library/validate.ts';
// access
export { Access } from './model/access.ts';
export { Band } from './model/band.ts';
export { Bundle, bundleFormat, bundleVersion, Pinned } from './model/bundle.ts';
export {
  Chart,
  ChartNode,
  type ChartUse,
  type MeasureNode,
  type NodeOf,
  nodeKinds,
  type VerdictNode,
} from './model/chart.ts';
// code
export { Claim, Code, CodeText, type Detection, Meaning, Setting, type Suspect, Symptom } from './model/code.ts';
export { Effect } from './model/effect.ts';
// library
export { Entry, EntryKey, EntryKind, type EntryOf, entryKinds, entrySchemas } from './model/entry.ts';
export {
  type AttachmentRule,
  type Controller,
  Family,
  ModelPattern,
  type Part,
  SoftwareVersion,
  type Variant,
} from './model/family.ts';
export { documentWith, type FieldStep, fieldText, type StringField, stringFields } from './model/fields.ts';
export { familyOf, keyOf, keyText, titleOf } from './model/key.ts';
export { type Link, linksOf, occurrencesOf } from './model/links.ts';
export { Fit, Look, type LookOf, Pulse, Seen, SeenLamp } from './model/look.ts';
export { Condition, Mode, NumberedTest, Transition } from './model/mode.ts';
export { type Occurrence, occurrencesIn } from './model/occurrence.ts';
export {
  Control,
  Face,
  type LampColour,
  lampColours,
  type Mechanism,
  Panel,
  Sign,
} from './model/panel.ts';
// readout
export { Readout, type ReadoutAccount, type Special, Stage, specialMeans, type TestVector } from './model/readout.ts';
export { isRhythmic, Reads, type ReadsOf, signsOfReads } from './model/reads.ts';
export { type IdKind, idHomes, idKinds, type Meaning as StringMeaning, meaningOf } from './model/reference.ts';
// gesture
export { Account, type Held, type Moment, Retry, Route, retries, type Settled, Step } from './model/route.ts';
export { entriesOf, entryOf, familyEntry } from './model/select.ts';
export { type LampState, Shown, sameShown } from './model/shown.ts';
export { Asset, Hazard, hazardSorts, Instrument, Source } from './model/source.ts';
export { TakenReading } from './model/taken.ts';
export { parametersOf, partNamesOf } from './model/values.ts';
export {
  Happened,
  happenings,
  Machine,
  type Station,
  stations,
  WalkEvent,
  type WalkEventOf,
} from './model/walk.ts';
// modes map
export { type MapEdge, type MapNode, type ModesMap, modesMap } from './modes-map/map.ts';
export { routesTo, routesUpTo } from './modes-map/routes-to.ts';
export { orderOfTests, type Running, runAt, runOf } from './modes-map/tests.ts';
// play
export { advanceUnit, wakeAt } from './play/advance.ts';
export { type CompileError, compileSteps } from './play/compile.ts';
export { type Gesture, type GestureOf, planUnit, type RefusedGesture, type UnitPlan } from './play/gestures.ts';
export { type Op, type Program, UnitEvent } from './play/op.ts';
export { idealHands, perform, Solo } from './play/perform.ts';
export { keepsTime, showsNow } from './play/shows.ts';
export {
  type Mind,
  type ModeCause,
  type Nearest,
  startForRoute,
  startUnit,
  type Underway,
  type UnitEffect,
  type UnitState,
  underway,
} from './play/state.ts';
export { actsDone, type Miss, type MissCode } from './play/thread.ts';
export { tryProgram } from './play/try.ts';
// print
export { chartPage, pocketCard } from './print/chart-sheets.ts';
export { handOnSheet, readingText } from './print/hand-on.ts';
export { type Block, type Sheet, sheetDefinition, sheetText } from './print/sheet.ts';
export { type EncodeError, encode, joinCode, type Parts, type StageShow, splitCode } from './readout/encode.ts';
export {
  type BytesError,
  bytesOfPair,
  bytesText,
  type NumberPair,
  pairOf,
  pairOfBytes,
  pairText,
  readBytesText,
} from './readout/pair.ts';
export {
  type Cue,
  litAt,
  type Scene,
  type Segment,
  sceneAt,
  schedule,
  segmentsOfRun,
} from './readout/schedule.ts';
export { segmentNames, segmentsOf } from './readout/segments.ts';
export { type SubPlace, subPlace } from './readout/sub-code.ts';
export { readTruthTable, type TruthProblem, truthProblemWords } from './readout/truth-table.ts';
// rhythm
export {
  type CameraFrame,
  contrastOf,
  type Glimpse,
  glimpse,
  keptLevels,
  type LampDoes,
  lampDoes,
  type Picture,
  type Region,
  type RegionLevels,
  regionLevels,
  regionSamples,
  type Shift,
  shiftOf,
} from './rhythm/camera.ts';
export { makeTaps, makeTrace, type TraceMaking } from './rhythm/made.ts';
export { matchPulses } from './rhythm/match-pulses.ts';
export { matchTrace, type TraceMatch } from './rhythm/match-trace.ts';
export { type PulsePattern, patternsOf } from './rhythm/pattern.ts';
export { type RhythmDoubt, type RhythmRead, readPulses } from './rhythm/read-pulses.ts';
export {
  evenTrace,
  type Lights,
  lightsOf,
  pulsesOf,
  type Sample,
  type Trace,
  type TraceRefusal,
} from './rhythm/trace.ts';
// route findings
export { lintRoutes } from './route-lint/family.ts';
// script
export { mostScriptLength, type ParsedScript, parseScript } from './script/parse.ts';
export {
  printDuration,
  printScript,
  printShown,
  printSpan,
  printStep,
  printSteps,
  type Script,
} from './script/print.ts';
export type { ScriptProblem } from './script/problem.ts';
export { type LineWord, lineForms, lineWords, noteWords } from './script/words.ts';
// odds
export { type HandKind, handKinds } from './success/hands.ts';
export {
  calibrate,
  calibratedFrom,
  type FailedAt,
  type Odds,
  type OddsAsked,
  OddsRun,
  oddsOf,
} from './success/odds.ts';
export type { Contradiction, Doubt, Intake, LinkedPhrase, Phrase } from './telling/draft.ts';
export { type Phrasing, readPhrasings, scorePhrasings } from './telling/measured.ts';
// intake
export type { InstrumentName } from './telling/names.ts';
export { readTelling } from './telling/telling.ts';
// score
export { changeStep, stepAt, stretchStep, stretchWindow } from './timeline/edit.ts';
export { type Bracket, type Lane, layoutScore, type Mark, type Score } from './timeline/layout.ts';
export { Attached, type CompositionProblem, checkComposition, leftAfter } from './unit/composition.ts';
export { bundleFacts, type ControlFacts, type UnitFacts } from './unit/facts.ts';
export { type Identified, identify, type Question, type SeenTraits } from './unit/identify.ts';
export { lintFamily } from './unit/lint.ts';
// unit
export {
  addPart,
  alignParts,
  changePart,
  duplicateParts,
  type Edge,
  type FacePart,
  moveParts,
  newFace,
  partsOf,
  removeParts,
  resizeParts,
  spreadParts,
  weighLamps,
} from './unit/panel-edit.ts';
export { type PartSort, partSorts } from './unit/panel-parts.ts';
export { compilePattern, fits, type ModelMatcher } from './unit/pattern.ts';
export {
  compareSerials,
  compareVersions,
  holdsFor,
  matchesModel,
  type ParameterCase,
  type ParameterCases,
  type Plate,
  type Reason,
  type Resolved,
  resolveParameters,
  resolvePlate,
} from './unit/plate.ts';
export { lintTraits, type TraitSubject, traitsOf } from './unit/traits.ts';
// walk
export { chartKnown, enteredBefore, settingNumber } from './walk/known.ts';
export { ledgerOf, type Owed } from './walk/ledger.ts';
export { type Along, type Needs, needsOf, wayBack } from './walk/needs.ts';
export { type Drift, driftOf, type PastReading, readingsTaken } from './walk/past.ts';
export type { GivenAnswer, KeptLook, ReadPlace, TakenCode, WalkSetting } from './walk/state.ts';
export { currentStation, foldWalk, standingEvents, stepKey, timerKey, type Walk } from './walk/state.ts';
// words
export { sweptWords } from './words/answered.ts';
export { bandWords, verdictWords } from './words/band.ts';
export { cautionWords } from './words/caution.ts';
export { coverWords } from './words/cover.ts';
export { findingCodes, findingWords, signLimitWords } from './words/finding.ts';
export { whyWords } from './words/found.ts';
export { happenedWords } from './words/happened.ts';
export { doubtWords, misreadWords, patternWords, refusalWords, saidAsWords } from './words/look.ts';
export { judgedWords, measureErrorWords, readingErrorWords, tooCloseWords } from './words/measured.ts';
export { missedWords, missWords } from './words/miss.ts';
export { reasonWords } from './words/reason.ts';
export { scriptProblemWords } from './words/script-problem.ts';
export { lampStateWords, momentWords, partName, placeName, shownWords } from './words/sign.ts';
export { slipWords } from './words/slip.ts';
export {
  actBig,
  cardBig,
  cardDetails,
  cardLead,
  cardNotes,
  conditionWords,
  retryWords,
  spanWords,
} from './words/step.ts';
export { textNoteWords } from './words/text-note.ts';
