// Everything other packages may use of core, room by room. What is not listed is private. A test holds that all of it is used.
// Six types are here only because types inferred elsewhere are made of them; the test names them.

// accounts
export { alignAccounts, differenceKey } from './accounts/align.ts';
export { type Choice as AccountChoice, settleSteps } from './accounts/settle.ts';
export { groupBy } from './base/group.ts';
// base
export {
  AccessId,
  AssetId,
  ChartId,
  CodeId,
  ControlId,
  ControllerId,
  EventId,
  FamilyId,
  HazardId,
  InputId,
  MachineId,
  ModeId,
  type NodeId,
  ParameterId,
  PartId,
  PlaceId,
  type SettingId,
  SignId,
  StageId,
  SymptomId,
  VariantId,
  WalkId,
} from './base/ids.ts';
export { canonicalJson, sameJson } from './base/json.ts';
export { withOwn } from './base/own-beside.ts';
export { parseAmount, type StoredAs, storedAs, writeAmount } from './base/parse-amount.ts';
export type { Path } from './base/path.ts';
export {
  baseUnit,
  baseUnits,
  formatQuantity,
  type MeterReading,
  OwnUnits,
  ownUnit,
  parseDifference,
  parseReading,
  type Quantity,
  quantities,
  typedStep,
  unitNames,
  writeDifference,
} from './base/quantity.ts';
export { seeded } from './base/random.ts';
export { assertNever } from './base/result.ts';
export { Role, roleAtLeast, roles } from './base/role.ts';
export { codeIdOf, idWords } from './base/slug.ts';
export { Scope, Standing, scopes, standings } from './base/text.ts';
// caller
export { labelsOf, readCaller } from './caller/read.ts';
// chart
export {
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
export { measureCautions } from './chart/cautions.ts';
export { choicesOf, itComesAgain, itStopped } from './chart/choices.ts';
export { assemble, chartOf, drawnOf, headOf, plainLabel } from './chart/drawn.ts';
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
export { guessHead, type ReadText, readChartText, type TextNote } from './chart/from-text.ts';
export { causesAhead } from './chart/graph.ts';
export { lintCharts } from './chart/lint-uses.ts';
export { isLiveWork } from './chart/live.ts';
export {
  accuracyOf,
  bandHere,
  bandsHere,
  formatTaken,
  inOwnUnits,
  measure,
  readingsNeeded,
  settledBy,
} from './chart/measure.ts';
export type { JudgedCase, Measured, MeasureError } from './chart/measured.ts';
export { parseMermaid, printMermaid } from './chart/mermaid.ts';
export { mostNodes, type OutlineRow, outlineRows, parseOutline, printOutline } from './chart/outline.ts';
export { probePoints } from './chart/probes.ts';
export { remedyAt, stoppedBy } from './chart/remedies.ts';
export { type ShownBy, shownBy, shownIn } from './chart/shown-value.ts';
export { slopeOf, timeTo } from './chart/slope.ts';
export { bandContextOf } from './chart/text-bands.ts';
export { touchedBy } from './chart/touched.ts';
export { judgeReading } from './chart/verdict.ts';
export { type ChartKnown, type ChartWalk, type Given, minutesAhead, readingsOnPath, walkChart } from './chart/walk.ts';
export { judgeWatch, watchedAmounts } from './chart/watched.ts';
// code
export { codeDistance, differences, plainCode, squeezed } from './code/alike.ts';
export { circlesOfConsequence, type Folded, foldConsequences } from './code/consequences.ts';
export { genericMeaning } from './code/generic.ts';
export { attemptsSoFar } from './code/lock-out.ts';
export { lockOutMs, type ProveRun, proveRun } from './code/prove.ts';
export { rightValues } from './code/right-values.ts';
// contract
export { type Answer, type Asked, type Contract, contract, type RouteName, routeNames } from './contract/contract.ts';
export type { EntryView, Job, Revision, RevisionWithBody, Working } from './contract/entries.ts';
export { FamilyCard, type ImportLine } from './contract/library.ts';
export { NewPassword, NewUser, SchoolSettings, type SignedIn, User } from './contract/people.ts';
export { type Overtaken, Refusal, type RefusalCode, refusalCodes, refusals, type Stale } from './contract/problem.ts';
export { addressOf, apiPrefix, type Declared, refusalsOf, statusOf } from './contract/route.ts';
export {
  type EventsTaken,
  OfferedLine,
  OrderedLine,
  Question,
  SeenMachine,
  type Tried,
  WalkLine,
} from './contract/walks.ts';
// decode
export { asTold, compareReadings, looksOf, readByAccounts } from './decode/compare.ts';
export { confirmAt, listedOf, type SweepItem, showsCode, sweepPlan } from './decode/controllers.ts';
export { type Candidate, type Decoded, decode, isTold, type Listed } from './decode/decode.ts';
export { type Elsewhere, readElsewhere, type TellsApart } from './decode/elsewhere.ts';
export { partsSeen } from './decode/evidence.ts';
export { lintReadout } from './decode/lint.ts';
export { literalOf } from './decode/literal.ts';
export { type LookAlike, lookAlikes, type Slip } from './decode/look-alikes.ts';
export type { Misread } from './decode/misread.ts';
export type { NextLook } from './decode/next-look.ts';
export { runVectors } from './decode/vectors.ts';
// exchange
export {
  type ImportDefaults,
  type ImportRow,
  type Mapping,
  planCodeImport,
  writeCodeTable,
} from './exchange/code-import.ts';
export { columns as codeColumns, guessMapping } from './exchange/columns.ts';
export { writeReadings } from './exchange/readings.ts';
export { writeScxml } from './exchange/scxml.ts';
export { readSeries } from './exchange/series.ts';
export { guessEncoding, readTable, type Table, type TableError, writeCsv } from './exchange/table.ts';
export { type Found, find, type Why } from './find/find.ts';
// find
export { findCodes } from './find/find-code.ts';
export { buildFindIndex, type FindDoc, type FindFamily, type FindIndex, findFamilyOf } from './find/index-build.ts';
// gesture
export { type Advice, adviceAfter } from './gesture/advice.ts';
export { type Beat, coachClock } from './gesture/beat.ts';
export { type CoachCard, coachCards, controlsAfter, type HandAct } from './gesture/coach.ts';
export { interlockWords } from './gesture/lint.ts';
export { stepsSpan } from './gesture/timing.ts';
export { entryAt, factsOfFinding, mayBeAccepted, withAccepted, withoutAccepted } from './library/accepted.ts';
export { begunStations } from './library/begun-stations.ts';
// library
export { betweenNowAndPublished } from './library/between.ts';
export { choicesAt } from './library/choices-at.ts';
export { copyUnit, lookedAt } from './library/copy-unit.ts';
export { applyChanges, diff, invertChanges } from './library/diff.ts';
export { problemsIn } from './library/entry-problems.ts';
export {
  beginGeneration,
  generationStands,
  type Older,
  revisionKey,
  revisionsWanted,
  type Stands,
} from './library/generation.ts';
export { blocksPublishing, findingsOfChart, findingsOfRoute, lint, lintAll, stationOf } from './library/lint.ts';
export { leaningOn } from './library/look-again.ts';
export { type Clash, merge } from './library/merge.ts';
export { bundleMigrations, migrateBundle } from './library/migrate.ts';
export { isVariableUsed, modeSortWords, variableIdOf, variableWords } from './library/mode-about.ts';
export {
  type Preset,
  presetOf,
  presets,
  presetWords,
  type States,
  statesOf,
  withState,
  withStates,
} from './library/mode-presets.ts';
export { readoutSources, showingWords, withoutShowing, withShowing } from './library/mode-shows.ts';
export { testBegun, testWords, withoutTest, withTest } from './library/mode-tests.ts';
export {
  type Entries,
  effectWords,
  entriesIn,
  type Leads,
  leadsOf,
  type Way,
  wayOf,
  wayWords,
  withoutWay,
  withWay,
} from './library/mode-ways.ts';
export { namesIn, type Thing } from './library/names.ts';
export { pathText, problemsOf, readBundle, readingBundle, readOneEntry } from './library/read.ts';
export { rename, usesOf } from './library/rename.ts';
export { readReviewNote, writeReviewNote } from './library/review-note.ts';
export { forSharing, mayBeCopied, withheldOf } from './library/share.ts';
export { entriesOfProposal } from './library/take-proposal.ts';
export { type StepStands, type UnitStep, unitSteps, unitStepsOf, unitStepWords } from './library/unit-steps.ts';
export { validate } from './library/validate.ts';
export { mendsOf, tryMend, withMend } from './mend/mends.ts';
// model
export { Access } from './model/access.ts';
export { Band } from './model/band.ts';
export { Bundle, bundleFormat, bundleVersion } from './model/bundle.ts';
export type { Change } from './model/change.ts';
export {
  Chart,
  ChartNode,
  type ChartUse,
  type MeasureNode,
  type NodeOf,
  nodeKinds,
  nodeWays,
  type VerdictNode,
} from './model/chart.ts';
export { Claim, Code, CodeText, type Detection, Setting, type Suspect, Symptom } from './model/code.ts';
export type { Condition } from './model/condition.ts';
export { Entry, EntryKey, EntryKind, type EntryOf, entryKinds, entrySchemas } from './model/entry.ts';
export {
  Attached,
  type AttachmentRule,
  type Contact,
  Family,
  type Part,
  SoftwareVersion,
  type Variant,
} from './model/family.ts';
export { documentWith, fieldText, type StringField, stringFields } from './model/fields.ts';
export type { Finding, FindingCode, Severity } from './model/finding.ts';
export { familyOf, keyOf, keyText, titleOf } from './model/key.ts';
export {
  blinkingStates,
  type LampColour,
  type LampRate,
  type LampState,
  lampStates,
  lampTraits,
} from './model/lamp.ts';
export { linksOf, occurrencesOf } from './model/links.ts';
export { Fit, Look, Pulse, Seen, SeenLamp } from './model/look.ts';
export type { EarlierReading, Owed } from './model/machine-past.ts';
export { Mode, NumberedTest, type Transition } from './model/mode.ts';
export { occurrencesIn } from './model/occurrence.ts';
export { Control, Face, Panel, Sign } from './model/panel.ts';
export type { Problem } from './model/problem.ts';
export { Proposal } from './model/proposal.ts';
export { Readout, type ReadoutAccount, Stage, specialMeans, type TestVector } from './model/readout.ts';
export { isRhythmic, type ReadsOf, signsOfReads } from './model/reads.ts';
export { type IdKind, idHomes, idKinds, meaningOf } from './model/reference.ts';
export { ChangeSetState, RevisionState } from './model/revision.ts';
export { Account, type Moment, Route, type Settled, Step } from './model/route.ts';
export { entriesOf, entryOf, familyEntry } from './model/select.ts';
export { Shown } from './model/shown.ts';
export { Hazard, Instrument, PictureType, Source } from './model/source.ts';
export { eachStep } from './model/steps.ts';
export { TakenReading } from './model/taken-reading.ts';
export { partNamesOf, type VariantCase, variantCases, variantName } from './model/values.ts';
export {
  complaintTimes,
  Happened,
  happenings,
  mostPictureLength,
  Outcome,
  Station,
  stations,
  triedBefore,
  WalkEvent,
  type WalkEventOf,
} from './model/walk.ts';
export { wholeSteps } from './model/whole.ts';
// modes-map
export { type MapEdge, type MapNode, type ModesMap, modesMap } from './modes-map/map.ts';
export { routesTo, routesUpTo } from './modes-map/routes-to.ts';
export { judgeTestReading, testConditions } from './modes-map/test-reading.ts';
export { orderOfTests, runAt, runOf } from './modes-map/tests.ts';
// play
export { advanceUnit, wakeAt } from './play/advance.ts';
export { stepsAsDone } from './play/as-done.ts';
export type { MissCode } from './play/attempt-state.ts';
export { compileSteps } from './play/compile.ts';
export type { CompileError } from './play/compiler.ts';
export { type Gesture, type GestureOf, planUnit, type UnitPlan } from './play/gestures.ts';
export { happenedOf } from './play/happened-of.ts';
export { CodesAtStart } from './play/memory.ts';
export { UnitEvent } from './play/op.ts';
export { idealHands, perform, Solo } from './play/perform.ts';
export { keepsTime, showsNow } from './play/shows.ts';
export { gestureStanding } from './play/standing.ts';
export { type Nearest, startForRoute, startUnit, type UnitEffect, type UnitState, underway } from './play/state.ts';
export { type StoodAs, stoodAs, unitStoodAs } from './play/stood-as.ts';
export { waitsBefore } from './play/waits-before.ts';
// print
export { chartPage, pocketCard } from './print/chart-sheets.ts';
export { handOnSheet, readingText } from './print/hand-on.ts';
export { type Block, type Sheet, sheetDefinition, sheetText } from './print/sheet.ts';
export { unitPage } from './print/unit-page.ts';
export {
  liveReadout,
  liveValuesIn,
  readoutAsAsked,
  type ShowsBy,
  showsByWords,
  signsFor,
  waysOf,
} from './readout/by-asking.ts';
export { encode, type Parts, type StageShow, splitCode } from './readout/encode.ts';
// readout
export {
  countsOpen,
  type Example as LampExample,
  type LampWay,
  learnLamps,
  looksOf as looksOfWay,
  misfitsOf,
  mostLearned,
  writtenAs,
} from './readout/from-examples/learn.ts';
export { examplesKept, stagesOf as stagesOfWay } from './readout/from-examples/stages.ts';
export {
  type Apart,
  fallsInto,
  mostParts,
  type PartsAsked,
  type PartsWrong,
  type PartWay,
  partWays,
  readoutInParts,
  splitOf,
} from './readout/in-parts.ts';
export { valueFieldOf } from './readout/live-value.ts';
export { bytesOfPair, bytesText, pairOf, pairOfBytes, pairText, readBytesText } from './readout/pair.ts';
export { litAt, type Scene, type Segment, sceneAt, schedule, segmentsOfRun } from './readout/schedule.ts';
export { segmentsOf } from './readout/segments.ts';
export { readTruthTable, truthProblemWords } from './readout/truth-table.ts';
// rhythm
export {
  type CameraFrame,
  contrastOf,
  type Glimpse,
  glimpse,
  keptLevels,
  lampDoes,
  type Picture,
  type Region,
  regionLevels,
  regionSamples,
  type Shift,
  shiftOf,
} from './rhythm/camera.ts';
export { makeTaps, makeTrace } from './rhythm/made.ts';
export { matchPulses } from './rhythm/match-pulses.ts';
export { matchTrace } from './rhythm/match-trace.ts';
export { type PulsePattern, patternsOf } from './rhythm/pattern.ts';
export { readPulses } from './rhythm/read-pulses.ts';
export { evenTrace, lightsOf, pulsesOf, type Sample, type UnreadableTrace } from './rhythm/trace.ts';
// route-lint
export { lintRoutes } from './route-lint/family.ts';
// script
export { parseScript } from './script/parse.ts';
export { printScript, printStep, printSteps } from './script/print.ts';
export { lineForms, lineWords, noteWords } from './script/words.ts';
// success
export { type HandKind, handKinds } from './success/hands.ts';
export { calibrate, calibrateErrors, type SuccessRate, SuccessRun, successRateOf } from './success/success-rate.ts';
export { type Answers, meantKey, noAnswers, picksFor, putRight } from './telling/answers.ts';
// telling
export { readAnyTelling } from './telling/either.ts';
export { readPhrasings, scorePhrasings } from './telling/measured.ts';
export { panelFromWords } from './telling/panel/words.ts';
export type { Told } from './telling/speech/read.ts';
export { type Stretch, stretchesOf } from './telling/speech/stretches.ts';
export { readTelling } from './telling/telling.ts';
// timeline
export { stretchStep, stretchWindow } from './timeline/edit.ts';
export { layoutTimeline } from './timeline/layout.ts';
export type { Bracket, Lane, Mark, Timeline } from './timeline/timeline.ts';
export { asBuilt, casesOfRoute, differsInBuild, type RouteCase } from './unit/as-built.ts';
export { type CompositionProblem, checkComposition, leftAfter } from './unit/composition.ts';
export { bundleFacts, type ControlFacts, type UnitFacts } from './unit/facts.ts';
export { identify, type SeenTraits } from './unit/identify.ts';
// unit
export { lampField } from './unit/lamp-field.ts';
export { lintFamily } from './unit/lint.ts';
export { lintParts } from './unit/lint-around.ts';
export {
  type Actor,
  lacking,
  lackingIn,
  type Permit,
  permitFor,
  permitForNode,
  permitForSubject,
} from './unit/may-act.ts';
export {
  addPart,
  alignParts,
  calledByBadge,
  changePart,
  duplicateParts,
  type Edge,
  type FacePart,
  moveInOrder,
  moveParts,
  newFace,
  partsOf,
  removeParts,
  resizeParts,
  spreadParts,
  weighLamps,
} from './unit/panel-edit.ts';
export { type PartKind, partKinds } from './unit/panel-parts.ts';
export { orderedBy } from './unit/part-numbers.ts';
export { modelLike } from './unit/pattern.ts';
export {
  compareVersions,
  holdsFor,
  matchesModel,
  type Plate,
  plateAsTyped,
  type Reason,
  type Resolved,
  resolveParameters,
  resolvePlate,
} from './unit/plate.ts';
export { plateTells } from './unit/plate-tells.ts';
export { reachOf } from './unit/reach.ts';
export { readScan, type ScannedPlate } from './unit/scan.ts';
export { lintTraits, type TraitSubject, traitsOf } from './unit/traits.ts';
export {
  familyFromVariants,
  type VariantTable,
  variantTable,
} from './unit/variant-table.ts';
// walk
export type { Changed } from './walk/changed.ts';
export { type ClearStep, chartFound, clearingNow, clearPlan, foundOn, foundWords } from './walk/clear-plan.ts';
export { complaintHints } from './walk/complaint.ts';
export { askedDetails, contactsFor } from './walk/contacts.ts';
export { type FirstMove, firstMoves } from './walk/first-moves.ts';
export { chartKnown, enteredBefore, settingNumber } from './walk/known.ts';
export { isSheetMissing, ledgerOf, sheetMissing } from './walk/ledger.ts';
export { type Needs, needsOf, wayBack } from './walk/needs.ts';
export { type OrderLine, orderLine, orderRows, orderText, partsToOrder } from './walk/order.ts';
export { nothingToDo } from './walk/passes.ts';
export { type Drift, driftOf, readingsTaken } from './walk/past.ts';
export { plateOf } from './walk/plate-of.ts';
export { offersOf } from './walk/proposals.ts';
export { repairCost } from './walk/repair-cost.ts';
export { openRoots, possibleRun, provesOf, type Root, rootsOf } from './walk/roots.ts';
export { roundsSeen } from './walk/rounds.ts';
export { likeOnes, sideBySide } from './walk/side-by-side.ts';
export {
  type BesideReading,
  type Complaint,
  currentStation,
  eventsInForce,
  foldWalk,
  type KeptLook,
  type Pictured,
  stepKey,
  type TakenCode,
  timerKey,
  type Walk,
} from './walk/state.ts';
export { isInside, wayGone, wayIn } from './walk/way-in.ts';
// words
export { sweptWords } from './words/answered.ts';
export { bandWords, verdictWords } from './words/band.ts';
export { besideWords, sideBySideWords } from './words/beside.ts';
export { cautionWords } from './words/caution.ts';
export { fieldWords, placeWords, valueWords } from './words/change.ts';
export { complaintLines, complaintTimeWords, triedWords } from './words/complaint.ts';
export { conditionText, onlyWhereWords } from './words/condition.ts';
export { coverWords } from './words/cover.ts';
export { differWords } from './words/differs.ts';
export { happeningWords } from './words/event.ts';
export { findingCodes, findingWords, signLimitWords } from './words/finding.ts';
export { type FindingGroup, groupFindings } from './words/finding-groups.ts';
export { todoWords } from './words/finding-todo.ts';
export { firstMoveWords } from './words/first-moves.ts';
export { whyWords } from './words/found.ts';
export { happenedWords } from './words/happened.ts';
export {
  callerMeantWords,
  confusionQuestion,
  doubtWords,
  ifWords,
  liveValueWords,
  patternWords,
  tellsApartQuestion,
  tellsWords,
  unreadableWords,
} from './words/look.ts';
export {
  judgedWords,
  measureErrorWords,
  readingErrorWords,
  supplyWords,
  testReadingWords,
  tooCloseWords,
} from './words/measured.ts';
export { missedWords, missWords } from './words/miss.ts';
export {
  endWords,
  kindWords,
  nodeKindWords,
  outcomeWords,
  severityWords,
  sideWords,
  specialWords,
  standingWords,
} from './words/names.ts';
export { goodWords, judgedCaseWords, plateTellsWords, rightWords } from './words/needs-plate.ts';
export { headWords, nodeHeadWords } from './words/node.ts';
export { proposalWords } from './words/proposal.ts';
export { reachWords } from './words/reach.ts';
export { reasonWords } from './words/reason.ts';
export { changeSetStateWords, revisionStateWords } from './words/review.ts';
export { permitWords, scopeWords } from './words/scope.ts';
export { scriptProblemWords } from './words/script-problem.ts';
export { lampStateWords, momentWords, partName, shownWords } from './words/sign.ts';
export { slipWords } from './words/slip.ts';
export { aidWords, slipKindWords } from './words/slip-kind.ts';
export {
  actBig,
  type CardDetail,
  cardBig,
  cardDetails,
  cardLead,
  cardLine,
  cardNotes,
  stepsInLine,
} from './words/step.ts';
export { textNoteWords } from './words/text-note.ts';
export { waitBeforeWords } from './words/wait-before.ts';
export { clearedWords, passedWords, rootWords } from './words/walked.ts';
