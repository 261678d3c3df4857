import { Z90 } from '../../numerics/index.js';
import type { EntryOf } from '../../logbook/index.js';
import {
	historyOf,
	measurementUpdate,
	posteriorOf,
	remember,
	settled,
	type DoubtCause,
	type DoubtedReading,
	type FilterState
} from '../filter/index.js';
import type { Measurement, Model } from '../model/index.js';
import * as PARAMETERS from '../parameters.js';
import { lossCusum, strainCusum, suspectGauge } from './cusum.js';
import { agrees, passesGate, sameGap, type InstrumentKind } from './gate.js';
import { couldBeMissed, noteLoss, noteMissedEntry, wasRight } from './imbalances.js';
import { innovationOf, type Innovation } from './innovation.js';
import { meantBy } from './meterReset.js';
import { missedEntryChance, wasDue } from './missedEntryHypothesis.js';

type Reading = EntryOf<'reading'>;

/** A reading on its way through: what was written, what it says, and of which kind of instrument. */
interface Assessed {
	readonly entry: Reading;
	readonly measurement: Measurement;
	readonly kind: InstrumentKind;
	/** the instrument is called failing: its readings are judged and not used */
	readonly shadow: boolean;
}

const noteMisfit = (state: FilterState, instrument: string, misfit: number): void =>
	remember(state, instrument, {
		misfits: [...historyOf(state, instrument).misfits, misfit].slice(-PARAMETERS.gaugeRecordReadings)
	});

/** A look into a tank settles what was suspected of it; a meter only counts, and settles nothing but itself. */
function settle(state: FilterState, { entry, measurement, kind }: Assessed): void {
	if (kind !== 'meter') settled(state, measurement.pool);
	else state.suspected = state.suspected.filter(({ instrument }) => instrument !== entry.instrument);
}

/** The belief gives way to what was read: first in doubt as far as the gap is wide, then the reading counts. */
function giveWay(state: FilterState, reading: Assessed, gapL: number): void {
	state.belief.addNoise(reading.measurement.giveWay, gapL ** 2);
	measurementUpdate(state.belief, reading.measurement);
	settle(state, reading);
}

/** A look that agrees with the account speaks against gauges that said otherwise: it is them, and no missing entry. */
function refute(state: FilterState, instrument: string, pool: number): void {
	for (const one of state.suspected)
		if (one.pool === pool && one.instrument !== instrument && one.couldBeMissed) {
			const { misfits } = historyOf(state, one.instrument);
			remember(state, one.instrument, {
				refutedL: one.gapL,
				misfits: misfits.map((misfit) => (misfit > 0 ? 1 : 0))
			});
		}
}

/**
 * A meter that counted more than was written down is no liar as long as the tank could have given it: people
 * forget to write. (One that counted less is doubted first, as any instrument.)
 */
const isUnwrittenUse = (state: FilterState, { measurement, kind }: Assessed, gapL: number): boolean =>
	kind === 'meter' &&
	gapL >= 0 &&
	(state.belief.mean[measurement.pool] ?? 0) - gapL > -PARAMETERS.impossibleBeyondShare * measurement.poolL;

/** The reading is as expected: it counts. */
function accept(model: Model, state: FilterState, reading: Assessed, innovation: Innovation): void {
	const { entry, measurement, kind, shadow } = reading;
	const { instrument } = entry;
	if (kind === 'gauge') remember(state, instrument, { acceptedL: innovation.saidL, refutedL: undefined });
	noteMisfit(state, instrument, 0);
	if (shadow) return entry.trusted ? giveWay(state, reading, innovation.gapL) : undefined;
	if (kind !== 'meter') {
		refute(state, instrument, measurement.pool);
		if (measurement.to === measurement.from) lossCusum(model, state, entry, measurement, innovation);
	}
	measurementUpdate(state.belief, measurement);
	settle(state, reading);
}

/** The gauges of a pool: when a dip or a meter does not fit, it may be them that led the belief astray. */
const gaugesOf = (model: Model, pool: number): readonly string[] =>
	model.rig.instruments
		.filter(({ kind, tank }) => kind === 'gauge' && model.places.get(tank)?.pool.index === pool)
		.map(({ id }) => id);

/** The doubted reading as one of the hypothesis that a fill or dump is missing. */
function suspect(
	model: Model,
	state: FilterState,
	{ entry, measurement, kind, shadow }: Assessed,
	{ gapL, saidL, saidSdL, expectedL }: Innovation,
	first: DoubtedReading | undefined
): DoubtedReading {
	const { pool } = measurement;
	const { refutedL, acceptedL } = historyOf(state, entry.instrument);
	return {
		entry: entry.id,
		atMs: state.atMs ?? 0,
		instrument: entry.instrument,
		gapL,
		sdL: saidSdL,
		saidL,
		believedL: expectedL,
		pool,
		couldBeMissed:
			kind !== 'meter' &&
			couldBeMissed(model, pool, gapL) &&
			(refutedL === undefined || !sameGap(refutedL, gapL, saidSdL)),
		wasDue: first?.wasDue ?? wasDue(model, pool, acceptedL, saidL, expectedL),
		shadow
	};
}

/** A meter's figure that a slip of the pen explains. */
function mistypedFigure(
	model: Model,
	state: FilterState,
	{ instrument, value }: Reading
): DoubtCause | undefined {
	const meter = model.instruments.get(instrument);
	const { countsFrom } = historyOf(state, instrument);
	if (meter?.kind !== 'meter' || typeof value !== 'number' || countsFrom === undefined) return undefined;
	const meant = meantBy(model, state, meter, countsFrom, value);
	return meant === undefined ? undefined : { kind: 'mistyped', shows: value, meant };
}

/** The reading is not as expected: doubted, unless others, or its own course, speak for it. */
function reject(model: Model, state: FilterState, reading: Assessed, innovation: Innovation): void {
	const { entry, measurement, kind, shadow } = reading;
	const { pool } = measurement;
	const { gapL, saidL } = innovation;
	for (const gauge of kind === 'gauge' ? [entry.instrument] : gaugesOf(model, pool))
		suspectGauge(state, gauge);
	const here = state.suspected.filter((one) => one.pool === pool);
	const own = here.filter(({ instrument }) => instrument === entry.instrument);
	const others = here.filter((one) => one.instrument !== entry.instrument && !one.shadow);
	const now = suspect(model, state, reading, innovation, own[0]);
	const alike = (one: DoubtedReading): boolean => agrees(one, gapL, now.sdL);
	const together = others.some(alike) || (kind !== 'gauge' && own.some(alike));
	const hypothesis = [...own, now];
	const chance = missedEntryChance(hypothesis);
	noteMisfit(state, entry.instrument, kind === 'gauge' ? 1 - chance : 1);
	const follows =
		kind === 'gauge' &&
		now.couldBeMissed &&
		hypothesis.length > 1 &&
		chance > PARAMETERS.missedEntryAcceptChance;
	if (follows || (!shadow && (together || isUnwrittenUse(state, reading, gapL)))) {
		const first = own[0] ?? others[0];
		if (now.couldBeMissed)
			noteMissedEntry(model, state, pool, { litres: Math.abs(gapL), upToL: first?.saidL ?? saidL }, first);
		else if (kind !== 'meter' && gapL < 0) noteLoss(model, state, pool, gapL, first);
		// What agrees with this reading was right all along: no longer doubted.
		wasRight(state, [now, ...[...own, ...others].filter(alike)]);
		return giveWay(state, reading, gapL);
	}
	state.doubts.push({
		entry: entry.id,
		instrument: entry.instrument,
		cause: mistypedFigure(model, state, entry) ?? {
			kind: 'unexplained',
			saysL: innovation.nearestL,
			believedL: innovation.expectedL,
			bandL: Z90 * innovation.sdL
		}
	});
	state.suspected = [
		...state.suspected.filter((one) => one.pool !== pool),
		...here.filter(({ instrument }) => instrument !== entry.instrument).slice(-4),
		...own.slice(-4),
		now
	];
}

/**
 * Weighs what a reading says against the belief: innovation, gate, and where it does not pass, the hypotheses: taken in,
 * or doubted, or taken in because others agree with it.
 */
export function assessReading(model: Model, state: FilterState, reading: Assessed): void {
	const { entry, measurement, kind, shadow } = reading;
	const innovation = innovationOf(posteriorOf(state, measurement.h), measurement);
	const strain = kind === 'gauge' ? strainCusum(state, entry, innovation.chance, shadow) : 0;
	if (passesGate(state, entry.instrument, kind, innovation, strain))
		return accept(model, state, reading, innovation);
	if (!entry.trusted) return reject(model, state, reading, innovation);
	giveWay(state, reading, innovation.gapL);
	noteMisfit(state, entry.instrument, 0);
}
