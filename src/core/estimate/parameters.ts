/**
 * Every noise, gate and rate of the estimate and of the forecast that the file format does not fix, once, in one table:
 * the unit, then where the number comes from: the file format's own page, a standard argument, or the calibration
 * (`npm run calibrate`), in which it was found. (As comments and single constants, so that neither words nor names travel
 * to every phone: this file is read as a whole, `import * as PARAMETERS`.)
 */
/** share of the variance of one time. Doubt of the mean against scatter; calibration, flat between 0.4 and 0.7. */
export const habitMeanVarianceShare = 0.5;
/** share of residualL. File format. */
export const residualSdShare = 0.35;
/** share of chargeL: nobody measures what is put back. Ours. */
export const chargeSdShare = 0.2;
/** share of what was said to stay in a tank that was not quite emptied: it is told from how the last of it ran. Ours. */
export const leftSdShare = 0.6;
/** share of the litres moved. File format. */
export const movedSdShare = 0.03;
/** L. File format. */
export const movedLeastSdL = 0.5;
/** share of the litres used. File format. */
export const usedSdShare = 0.05;
/** L. File format. */
export const usedLeastSdL = 0.2;
/** share of usableL. File format. */
export const gaugeSdShare = 0.05;
/** share of a gauge’s variance that is one constant of that gauge. A float hangs, a probe is dirty: as a meter’s error; calibration. */
export const gaugeLastingVarianceShare = 0.5;
/** share of usableL for a lean of 45°. Nobody knows where in its tank a float hangs: about a sixth of a width from the middle, a tank three times as wide as high. */
export const leanSdShare = 0.5;
/** share of what was counted. File format. */
export const meterSdShare = 0.02;
/** mm. File format. */
export const rodSdMm = 4;
/** share of usableL. A few drops stay in a jug poured out, and how few is as doubtful; a tenth of a litre in fifteen. */
export const jugDropsShare = 0.007;
/** share of usableL. How exactly empty is seen: a pump sucks air a little before. */
export const emptySdShare = 0.001;
/** share of the last digit. Deviation of a uniform rounding, 1/√12. */
export const roundingSdDigits = 0.29;
/** logarithm. A household's pace against what its rig says: nine in ten live between half and double, ln 2 / 1.645. File format. */
export const paceSdLog = 0.42;
/** share of the usual cadence. Doubt of `often` where the rig gives none, beside the pace of the household; calibration. */
export const cadenceSdShare = 0.24;
/** share of a day. Days differ from each other as a whole; calibration. */
export const dayFactorSd = 0.2;
/** share of a day’s times. Each habit has its busy and quiet days; calibration. */
export const habitDayFactorSd = 0.25;
/** times a day’s scatter in a course of days. Beyond nine in ten, days are rarer and further off than a gamma has them; calibration of kept promises. */
export const flowScatterFactor = 1.25;
/** writings down. How alike habits are in being written down: the sum of a beta distribution’s two numbers; calibration. */
export const writingConcentrationWritings = 4;
/** chance. That a habit is never written down by people who write others: not all think of their hands; ours. */
export const neverWrittenChance = 0.1;
/** share. What is known of those before still says so much of other people: their rig is the same; ours. */
export const otherCrewKeptShare = 0.2;
/** uses written at one sitting, sittings a day, and sittings seen, from which on a log is one of batches: one who writes as he goes has one, many. */
export const batchUsesPerSitting = 4;
export const batchMostSittingsPerDay = 2;
export const batchLeastSittings = 2;
/** share of the usual litres. A rinse, a splash, in no habit: its mean, and the doubt of it; calibration. */
export const smallDrawsShare = 0.06;
/** L. One rinse or splash. */
export const smallLumpL = 0.2;
/** share of the usual litres. Before the log is counted: wider than anything it may say. */
export const broadPriorSdShare = 2.5;
/** share of a habit’s part. Which habits a stated rate comes from; calibration. */
export const statedMixSdShare = 0.35;
/** share of a variance. Rare lumps are skewed: a normal needs more to hold nine in ten of them; calibration. */
export const rareLumpsVarianceShare = 1;
/** share of the litres believed, per √day, and the share of the usual litres that is least. People grow careless or careful; calibration. */
export const rateWalkSdSharePerRootDay = 0.05;
export const rateWalkLeastShare = 0.3;
/** L. One use in a rig without habits: between hands and a wash-up. */
export const anyLumpL = 3;
/** L per person and day. Use in a rig without habits: modest living off-grid. */
export const unknownUseLPerPersonDay = 12;
/** deviations. Two-sided 6 in 100 000 for an honest rod or meter. */
export const gateSds = 4;
/** deviations. Two-sided 2 in 1000; calibration: honest readings doubted below 1 %. */
export const gaugeGateSds = 3.1;
/** deviations. A gauge doubted just before; calibration. */
export const distrustedGaugeGateSds = 2.3;
/** deviations. Sum at which small losses are said (Page 1954); an honest rod comes there once in some thousand readings. */
export const lossCusumLimitSds = 6;
/** deviations. Half the shift to be found, as usual for a cumulative sum. */
export const lossCusumSlackSds = 0.5;
/** −ln chance. Sum of strain at which a gauge is doubted; below 1 in 100 runs for an honest one. */
export const strainCusumLimitNats = 5.5;
/** −ln chance. Twice what an honest reading adds on average. */
export const strainCusumSlackNats = 1.85;
/** −ln chance. Strain at which a gauge is looked at without itself. */
export const suspicionCusumLimitNats = 3;
/** −ln chance. A little more than an honest reading adds on average, which is 1. */
export const suspicionCusumSlackNats = 1.2;
/** hour of the day. Unlogged use follows the waking day. */
export const wakesAtHour = 7;
/** hour of the day. Unlogged use follows the waking day. */
export const sleepsAtHour = 23;
/** share of a day’s use. A flush and a sip at night. */
export const nightUseShare = 0.04;
/** share of usableL. How far below empty or above full a belief may run before an entry must be missing; calibration. */
export const impossibleBeyondShare = 0.06;
/** chance. That a tank was not run dry and did not back up is news where it was at most so likely; calibration. */
export const withinMostChance = 0.3;
/** chance. That a doubted reading is right while nothing else settles it. */
export const missedEntryPrior = 0.25;
/** chance. The same for a gauge that moved as after a fill or dump when one was due; calibration. */
export const missedEntryPriorWhenDue = 0.6;
/** share of usableL. A gap as wide as this may be a fill or dump that nobody wrote down: a light or more. */
export const missedEntryGapShare = 0.25;
/** share of usableL. So much is used when people begin to look for a tap or a drain. */
export const dueSpentShare = 0.6;
/** chance. That a fill or dump of late is not in the log, before anything speaks for it: one in thirty. */
export const missedEntryBaseChance = 0.03;
/** chance. Beyond it doubted readings are taken to be right: four in five. */
export const missedEntryAcceptChance = 0.8;
/** days. The log teaches cadences as far back as this; people’s ways change with the season. */
export const cadenceMemoryDays = 21;
/** variance over mean of a habit’s times a day before a log shows it: between by the clock (0) and at random (1); calibration. */
export const dispersionPrior = 0.7;
/** degrees of freedom that this weighs as. */
export const dispersionPriorDegrees = 6;
/** variance over mean. More is a change of ways, not unevenness. */
export const dispersionMost = 1.5;
/** deviations and share. Two gaps to the account are the same within so much and about a seventh of themselves; calibration. */
export const sameGapSds = 2.5;
export const sameGapShare = 0.15;
/** readings. So far back goes what is remembered of how a gauge fared. */
export const gaugeRecordReadings = 6;
/** readings. So many of them doubted, and it is called failing until it has been right for a while. */
export const failingMisfitsReadings = 2;
/** days. A gauge that gave no reason for suspicion for so long is no longer looked at without itself. */
export const suspicionDays = 60;
/** days. A doubted reading older than this no longer hints at a missed entry. */
export const missedEntryDays = 3;
/** share of `impossibleBeyondShare`. An account runs so far beyond empty or full before that speaks for a missed entry; calibration. */
export const beyondBeginsShare = 0.25;
/** deviations. How far above what a tank is believed to serve its level may be answered. */
export const ceilingSds = 3;
/** days of log. After them one more quarter of a day tells little of how often things are done. */
export const cadenceKnownAfterDays = 4;
/** days of log, and days. After so many the counts are asked once a week: one day more changes little of a household's pace. */
export const paceKnownAfterDays = 30;
export const recountEveryDays = 6.5;
/** days of log. Before them no day of the week is told from another. */
export const weeksKnownAfterDays = 9;
/** days. How far back days of the week are learned: two months weigh as much as all before. */
export const weekMemoryDays = 80;
/** share of a day's use. How far weekends differ from other days in what nobody writes down, before readings show it: nine households in ten less than double; calibration. */
export const weekendSd = 0.35;
/** minutes. Lines written within so long of each other were written at one sitting. */
export const sittingMinutes = 10;
/** days. Days that were said to be unlike others are asked about for so long when they are over. */
export const contradictedDays = 3;
/** nats. Readings speak so much more for days as usual than for what was said of them: three to one. One question costs little. */
export const contradictedNats = 1.1;
/** nats. No reading speaks louder than this: an instrument may lie. */
export const contradictedMostNats = 3;
/** shares. A fill of more than so much of what the tank serves is mistyped; and what it likely was, give or take. */
export const impossibleFillShare = 1.3;
/** chance. That the account of a tank is off by more than it knows as it is filled or emptied, and that it is after a stretch of which nothing was written; calibration. */
export const accountOffChance = 0.03;
export const accountOffAfterSilence = 0.3;
/** deviations. A figure that a slip of the pen turns into one so near is taken for that slip. */
export const mistypedWithinSds = 2.5;
/** chance. That a figure has a digit too many, and as much for one too few. */
export const mistypedChance = 0.015;
export const mistypedSdShare = 0.2;
/** slips. So many are remembered. */
export const slipsKept = 6;
/** minutes. Two uses of a habit within so long may be one that two people wrote down. */
export const twiceMinutes = 4;
/** chance. That a use is written down twice, before anything is known of who writes; and where two people wrote one each; calibration. */
export const twiceChance = 0.015;
/** uses. That the former is worth beside what a log shows of it; a log with none still says little after ten days. */
export const twicePriorUses = 100;
export const twiceByBothChance = 0.08;
/** times a day. Nothing is taken to be rarer, for that. */
export const twiceLeastADay = 0.3;
/** hours. Of a day in which people are awake. */
export const wakingHours = 16;
/** days. How far back it is known when somebody writes. */
export const writingMemoryDays = 40;
/** days. As much weighs what is believed of that beforehand: as water is used. */
export const writingPriorDays = 1;
/** hours, and sittings. A stretch without a use that tells nothing: at any time of the day, and where it would have brought no more. */
export const quietLeastHours = 5;
export const quietLeastSittings = 4;
/** shape of a gamma. How uneven days are in what is written: no use where n sittings would have been has the chance (1 + n/k)^−k; calibration. */
export const writingDispersion = 20;
/** sittings. A sitting at which a day's uses are written is missed as surely as so many single ones; calibration. */
export const batchSittingWeight = 4;
/** hours. Who writes at one sitting a day is in time so long before and after the usual one. */
export const sittingInTimeHours = 6;
/** share. So much of what the times at a sitting tell of a missed one is believed: days are busy and quiet. */
export const sittingTimesDulled = 0.5;
/** times, and days. How often somebody stops writing before the log shows it; calibration. */
export const silencesPrior = 0.8;
export const silencesPriorDays = 14;
/** per day. How soon a silence ends. */
export const silenceEndsPerDay = 1;
/** days. Of a longer silence no more is looked at: whoever is back after a year begins anew. */
export const silenceMostDays = 400;
/** chance. From this on a silence is said. */
export const silenceSaidChance = 0.5;
/** chance. Less than this of a silence changes nothing. */
export const silentLeastChance = 0.01;
/** times. Of those who write nothing, so many live on, and so many are away, before anybody has said; see `docs/estimate.md`. */
export const livedPrior = 2.5;
export const awayPrior = 1;
/** share. Readings have told how a silence was when its litres are known within so much of what they might have been. */
export const silenceToldSdShare = 0.2;
/** days. As much weighs the rig's word of how often something is done, where it says that all is written down. */
export const usualPriorDays = 2;
/** share. How much more or less than usual is lived where nothing is written. */
export const silentPaceSd = 0.2;
/** shares of what is usual. Who says that it was less: so much, give or take; who was away: give or take. */
export const livedLessShare = 0.5;
export const livedLessSdShare = 0.15;
export const awaySdShare = 0.02;
