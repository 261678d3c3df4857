export { sayShortfall, verdict, type Verdict, type VerdictInput } from './outlook/verdict.js';
export { listed } from './list.js';
export { spanText, type Span } from './spans.js';
export {
	askSamePeople,
	askWhetherSo,
	sayAheadDays,
	sayUnlike,
	sayWindow,
	type AheadContext
} from './outlook/daysAhead.js';
export { sayDoubt } from './outlook/doubt.js';
export { sayLessons, type Lesson } from './outlook/lessons.js';
export { sayBetween, saySilence } from './outlook/silence.js';
export { sayFinding, sayMend } from './outlook/finding.js';
export { sayWhy } from './outlook/why.js';
export { flagDay, onDay, sayAgo, sayDay, sayMomentOf, sayPast, sayWhen } from './when.js';
export { sayFault, sayFlats, sayImpact, sayRounding, saySuspicion } from './equipment/rig.js';
export {
	hasFrost,
	sayHeeled,
	SERVICE_NAMES,
	sayNights,
	sayOffered,
	sayWeatherByDay,
	sayLegFrom,
	sayWeatherOf
} from './trip/stop.js';
export { KEEP_BLACK_SHUT, saySea, sayValveCaution, sayValves, SEA_CAUTION } from './log/valves.js';
export { sayApart, sayEach, sayServices, sayVerified } from './trip/point.js';
export { tripCard, type CardFacts, type MeterRead, type TripCard } from './trip/card.js';
export { sayTotals } from './log/totals.js';
export {
	INSTRUMENT_NAMES,
	METER_PLACES,
	sayBeep,
	sayCadence,
	sayInstrument,
	sayLinks,
	sayMeterCount,
	sayMeterUnit
} from './equipment/instrument.js';
export { sayAxle, saySpare, type SpareWords } from './equipment/weight.js';
export { sayOpenings, sayTimesAt, type Opening } from './trip/wayLine.js';
export { sayFallbackPrice } from './trip/fallback.js';
export { foundAt, sayReport, type FoundAt } from './trip/report.js';
export { sayWeatherFrom } from './trip/weatherFrom.js';
export { sayShutAhead } from './trip/shutAhead.js';
export { sayIfShut, sayUnspared } from './trip/ifShut.js';
export { sayOccasion } from './outlook/occasion.js';
export { capital, sayGain, sayStay, type StayChange } from './outlook/stay.js';
export {
	doesAt,
	lastFor,
	sayDoubtfulTaps,
	sayLastChance,
	sayOverload,
	sayPlan,
	sayService,
	type PlanWords
} from './trip/plan.js';
export {
	sayChange,
	sayMendOfTrip,
	saySchool,
	sayServiceAt,
	SERVES,
	type SchoolWords
} from './trip/change.js';
export { clockText, dayText, sayDays, KIND_WORDS, LIVED_WORDS, sayKind, sayInstant } from './log/entry.js';
export { describeEntry, type DescribeContext } from './log/describe.js';
export { sayHappening, type Happening, type TellingContext } from './log/happening.js';
export { sayBehind, sayFirst, sayLasting, sayRod, type Lasting, type RodWords } from './outlook/lasts.js';
export { CERTAINTIES, sayCertainty, sayChance } from './saving/chance.js';
export { sayAt, sayGoal } from './saving/clock.js';
export { basketKindOf, sayBasket, type BasketKind, type Until } from './saving/basket.js';
export { sayLonger, saySacrifice, saySet, type Goal } from './saving/sacrifice.js';
export { sayEffect, sayNotYet, sayPaid, saySides, type PaidWords } from './saving/measure.js';
export { sayLoad, type LoadLine } from './trip/load.js';
export { askPassedBy, sayReplanned } from './trip/replanned.js';
export {
	sayFlowTime,
	sayMinutes,
	sayPayloadLeft,
	sayProgress,
	sayRun,
	sayShown,
	sayStep
} from './run/step.js';
export { sayRule } from './run/dump.js';
export type { StepWords } from './run/stepWords.js';
export { sayLoadOf, sayMass } from './run/mass.js';
export { sayStepFault } from './run/fault.js';
export {
	sayContainer,
	sayJugs,
	sayLoads,
	sayNear,
	sayStayAt,
	sayStayLoads,
	sayWhenToGo
} from './run/carry.js';
export { sayCareProblem, sayTaskDone, sayDue, sayDueNow, sayRhythm } from './care/task.js';
export { DOSE_CAUTION, formatMl, sayDose, sayRefusal, smallUnit, WATER_DOSE_CAUTION } from './care/dose.js';
export {
	DRINKING_CAUTION,
	DRINK_ONLY,
	DUMP_CAUTION,
	LEGS_UNCHANGED,
	NO_FIX,
	REGULATOR,
	sayPlannedFrom,
	SOURCE_SAYS
} from './trip/place.js';
export { FROST_CAUTION, sayFrostNight, sayFrostRisk } from './care/frost.js';
export {
	LAY_UP_CAUTION,
	sayLayUpStep,
	sayRemains,
	sayWayBackStep,
	type CareStepWords
} from './care/layUp.js';
export { DRINK_WORDS } from './outlook/drink.js';
export { sayDrink, sayDrinkAnswer, sayGoingIn, sayWaterAge, sayWaterWarning } from './care/water.js';
export {
	ACCOUNT_ADDS,
	REPLAYED_WITH,
	sayAgainst,
	sayErrands,
	sayForeseen,
	sayPart,
	sayRelived,
	sayBeside,
	sayReviewDetail,
	sayReviewHeadline,
	sayUnexplained
} from './review/review.js';
export {
	RECORD_IS,
	sayNoForecasts,
	sayReadEvenings,
	sayRecord,
	sayRecordVerdict,
	saySurprise,
	sayTankRecord
} from './review/record.js';
export {
	NOTHING_OF_TANK,
	sayDaysRange,
	sayHabitWhy,
	sayLastingSum,
	sayLevelRange,
	sayNothingLearned,
	sayOwnShare
} from './outlook/whyPanel.js';
export {
	NOT_FOR_NAVIGATION,
	READ_AHEAD,
	READ_CALIBRATION,
	READ_RIBBON,
	sayReadPast
} from './outlook/charts.js';
export {
	DUMP_START_CAUTION,
	EVEN_FULL,
	NEVER_ON_THE_GROUND,
	NOT_ON_FROM,
	OLD_RUN,
	PLATE_DECIDES,
	RUN_ELSEWHERE,
	RUN_WITHOUT_RIG,
	sayFirstFill,
	sayKeepFree,
	sayNoDischarge,
	sayOutsideCaution,
	sayWontFit,
	SHUT_AND_CLEAN
} from './run/start.js';
export {
	BLEACH_AGES,
	DOSES_CAUTION,
	NO_FROST,
	sayFrozen,
	sayNeeded,
	sayValveToSea,
	THAW_CAUTION,
	TICK_TREATED,
	TREATMENT_CAUTION
} from './care/handling.js';
export {
	FITTING_CAUTION,
	LIMITS_CAUTION,
	OVER_A_LIMIT,
	sayOverFull,
	TOTAL_COUNTS,
	WATER_WEIGHS,
	WEIGHING_CAUTION
} from './equipment/weighing.js';
export { IDEAS_ARE, TRIAL_IS, TRIAL_NEEDS } from './saving/trial.js';
export {
	CORRECTION_REPLACES,
	MAY_BE_CLEARED,
	MERGES,
	NO_UNDO,
	sayKeptHere,
	sayNewestFile,
	STAYS_HERE,
	TWO_OF_YOU
} from './keeping.js';
export {
	CAMERA_STAYS,
	CANNOT_IMPORT,
	LINK_STAYS,
	ONLY_HERE,
	sayPartnerBehind,
	sayComing,
	sayContent,
	sayGap,
	sayLastShared,
	sayMade,
	sayOtherRigs,
	sayShared,
	type SharingContext
} from './sharing.js';
export {
	BY_AVERAGE_USE,
	ENTRIES_STAY,
	sayOutliers,
	sayOutOfReach,
	sayOverRated,
	SIZES_COUNT,
	TRIED_WITH
} from './equipment/trials.js';
export { GLOSSARY, type Word } from './glossary.js';
export { sayLevelOf, sayRoomIn, sayWaterAboard, type LevelTold } from './answering/levels.js';
export {
	sayCostAnswer,
	sayEnoughAnswer,
	sayLastsAnswer,
	sayLastsUntil,
	sayOtherwise,
	sayTimesLeft,
	type LastsTold
} from './answering/lasting.js';
export {
	sayLastDone,
	sayNextStop,
	sayNoStop,
	sayStopHas,
	sayUsed,
	sayUsedBy,
	type UsedTold
} from './answering/past.js';
export {
	sayHabit,
	sayHeardAct,
	sayHeardAt,
	sayHeardLeak,
	sayHeardSince,
	sayHowLikely,
	sayNod,
	sayRan,
	saySamples,
	sayTimes,
	sayUnlogged,
	type HeardContext
} from './listening.js';
