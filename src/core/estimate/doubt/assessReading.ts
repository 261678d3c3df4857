import type { EntryOf, Meter } from '../../logbook/index.js';
import { dot, type Gaussian, type Sparse } from '../filter/gaussian.js';
import { posterior } from '../filter/posterior.js';
import { couldBeMissed, drifted, noteLoss, noteMissedEntry, wasRight } from './imbalances.js';
import type { Model } from '../filter/model.js';
import { agreed } from '../filter/transitions.js';
import { PARAMETERS } from '../parameters.js';
import { normalCdf, truncate } from '../filter/normal.js';
import {
	displaySd,
	gaugeBand,
	meterMeasurement,
	openEnded,
	levelMeasurement,
	rodLitres,
	sdOfGauge,
	type Measurement
} from '../filter/measurementModel.js';
import { missedEntryChance, wasDue } from './missedEntryHypothesis.js';
import type { Suspicion, FilterState } from '../filter/filterState.js';

type Reading = EntryOf<'reading'>;
type Kind = 'meter' | 'gauge' | 'rod';

/** A reading further than this from the belief, in standard deviations of both together, is doubted. */
const gateOf = (state: FilterState, entry: Reading, kind: Kind): number => {
	if (kind !== 'gauge') return PARAMETERS.gate;
	return (state.record.get(entry.instrument)?.at(-1) ?? 0) > 0
		? PARAMETERS.distrustedGate
		: PARAMETERS.gaugeGate;
};

/** Gaps to the account that are the same, within an error and a part of themselves. */
const near = (oneL: number, otherL: number, sdL: number): boolean =>
	Math.abs(oneL - otherL) <= 2.5 * sdL + 0.15 * Math.abs(otherL);
/** Doubted readings of different instruments (or two dips, two totals) stand together when they say the same. */
const alike = (one: Suspicion, gapL: number, sdL: number): boolean =>
	near(one.gapL, gapL, Math.hypot(one.sdL, sdL));

/** The chance beyond which doubted readings are taken to be right. */
const FOLLOWS = 0.8;

function believe(belief: Gaussian, said: Measurement): void {
	const expected = {
		mean: dot(belief.mean, said.h),
		sd: Math.sqrt(belief.varianceOf(said.h) + said.sd ** 2)
	};
	const cut = said.to > said.from ? truncate(expected, said.from, said.to) : undefined;
	belief.learn(
		said.h,
		said.sd ** 2,
		cut ? { mean: cut.mean, variance: cut.sd ** 2 } : { mean: said.from, variance: 0 }
	);
}

const litresText = (litres: number): string =>
	`${Math.abs(litres) < 20 ? litres.toFixed(1) : litres.toFixed(0)} L`;

/**
 * A meter that counted more than was written down is no liar as long as the tank could have given it: people
 * forget to write. (One that counted less is doubted first, as any instrument.)
 */
function isMoreUse(state: FilterState, said: Measurement, kind: Kind, gapL: number): boolean {
	if (kind !== 'meter' || gapL < 0) return false;
	return (state.belief.mean[said.pool] ?? 0) - gapL > -PARAMETERS.impossible * said.poolL;
}

/**
 * How strained a gauge's readings are of late (Page's cumulative sum, 1954, of −ln of each one's chance): readings
 * that are each just possible, one after the other, are not those of an honest gauge. While the gauge counts it
 * drags the belief along, so that a small strain only asks for a look without it (see `Replay`).
 */
function strained(state: FilterState, { instrument }: Reading, chance: number, shadow: boolean): number {
	const surprise = -Math.log(Math.max(chance, 1e-12));
	const before = state.strain.get(instrument) ?? { sum: 0, hint: 0 };
	const now = {
		sum: Math.max(0, Math.min(before.sum, PARAMETERS.strain) + surprise - PARAMETERS.strainSlack),
		hint: Math.max(0, before.hint + surprise - PARAMETERS.hintSlack)
	};
	state.strain.set(instrument, now);
	if (!shadow && now.hint > PARAMETERS.hint) state.hinted.add(instrument);
	return now.sum;
}

/** How many readings back a gauge's record goes. */
const RECORD = 6;

const note = (state: FilterState, { instrument }: Reading, misfit: number): void =>
	void state.record.set(instrument, [...(state.record.get(instrument) ?? []), misfit].slice(-RECORD));

/** The belief gives way to what was read: first in doubt as far as the gap is wide, then the reading counts. */
function giveWay(state: FilterState, entry: Reading, said: Measurement, kind: Kind, gapL: number): void {
	state.belief.doubt(said.giveWay, gapL ** 2);
	believe(state.belief, said);
	settled(state, entry, said, kind);
}

/** The gauges of a pool: when a dip or a meter does not fit, it may be them that led the belief astray. */
const gaugesOf = (model: Model, pool: number): readonly string[] =>
	model.rig.instruments
		.filter(({ kind, tank }) => kind === 'gauge' && model.places.get(tank)?.pool.index === pool)
		.map(({ id }) => id);

/** A look that agrees with the account speaks against gauges that said otherwise: it is them, and no missing entry. */
function refute(state: FilterState, { instrument }: Reading, pool: number): void {
	for (const one of state.suspicions)
		if (one.pool === pool && one.instrument !== instrument && one.couldBeMissed) {
			state.refuted.set(one.instrument, one.gapL);
			state.record.set(
				one.instrument,
				(state.record.get(one.instrument) ?? []).map((misfit) => (misfit > 0 ? 1 : 0))
			);
		}
}

/** A look into a tank settles what was suspected of it; a meter only counts, and settles nothing but itself. */
function settled(state: FilterState, entry: Reading, said: Measurement, kind: Kind): void {
	if (kind === 'meter')
		state.suspicions = state.suspicions.filter(({ instrument }) => instrument !== entry.instrument);
	else agreed(state, said.pool);
}

/**
 * Weighs what a reading says against the belief: taken in, or doubted, or taken in because others agree with it.
 *
 * @param shadow the instrument is called failing: its readings are judged and not used
 */
function weigh(
	model: Model,
	state: FilterState,
	entry: Reading,
	said: Measurement,
	kind: Kind,
	shadow: boolean
): void {
	const now = posterior(model, state);
	const variance = now.varianceOf(said.h) + said.sd ** 2;
	const mean = dot(now.mean, said.h);
	const nearest = Math.min(Math.max(mean, said.from), said.to);
	const gapL = nearest - mean;
	const isBand = said.to > said.from;
	const [fromL, toL] = [Math.max(said.from, 0), Math.min(said.to, said.poolL)];
	const saidL = (fromL + toL) / 2;
	const sdL = Math.hypot(said.sd, (toL - fromL) / Math.sqrt(12));
	const chance = isBand
		? truncate({ mean, sd: Math.sqrt(variance) }, said.from, said.to).mass
		: 2 * normalCdf(-Math.abs(gapL) / Math.sqrt(variance));
	const strain = kind === 'gauge' ? strained(state, entry, chance, shadow) : 0;
	// A light is doubted when the belief gives its band less than the two-sided chance beyond the gate.
	const likely =
		(gapL === 0 || chance > 2 * normalCdf(-gateOf(state, entry, kind))) && strain < PARAMETERS.strain;
	if (likely && kind === 'gauge') {
		state.shownL.set(entry.instrument, saidL);
		state.refuted.delete(entry.instrument);
	}
	if (likely && kind !== 'meter' && !shadow) refute(state, entry, said.pool);
	if (likely && !shadow) {
		if (kind !== 'meter' && !isBand) drifted(model, state, entry, said, gapL, gapL / Math.sqrt(variance));
		believe(state.belief, said);
		settled(state, entry, said, kind);
	} else if (entry.trusted) giveWay(state, entry, said, kind, gapL);
	if (likely || entry.trusted) return note(state, entry, 0);
	for (const gauge of kind === 'gauge' ? [entry.instrument] : gaugesOf(model, said.pool))
		state.hinted.add(gauge);
	const here = state.suspicions.filter(({ pool }) => pool === said.pool);
	const own = here.filter(({ instrument }) => instrument === entry.instrument);
	const others = here.filter(({ instrument, shadow: aside }) => instrument !== entry.instrument && !aside);
	const refutedL = state.refuted.get(entry.instrument);
	const missed =
		kind !== 'meter' &&
		couldBeMissed(model, said.pool, gapL) &&
		(refutedL === undefined || !near(refutedL, gapL, sdL));
	const together =
		others.some((other) => alike(other, gapL, sdL)) ||
		(kind !== 'gauge' && own.some((other) => alike(other, gapL, sdL)));
	const suspicion: Suspicion = {
		entry: entry.id,
		atMs: state.atMs ?? 0,
		instrument: entry.instrument,
		gapL,
		sdL,
		saidL,
		believedL: mean,
		pool: said.pool,
		couldBeMissed: missed,
		wasDue: own[0]?.wasDue ?? wasDue(model, said.pool, state.shownL.get(entry.instrument), saidL, mean),
		shadow
	};
	const story = [...own, suspicion];
	note(state, entry, kind === 'gauge' ? 1 - missedEntryChance(story) : 1);
	const follows = kind === 'gauge' && missed && story.length > 1 && missedEntryChance(story) > FOLLOWS;
	if (follows || (!shadow && (together || isMoreUse(state, said, kind, gapL)))) {
		const first = own[0] ?? others[0];
		if (missed)
			noteMissedEntry(
				model,
				state,
				said.pool,
				{ litres: Math.abs(gapL), upToL: first?.saidL ?? saidL },
				first
			);
		else if (kind !== 'meter' && gapL < 0) noteLoss(model, state, said.pool, gapL, first);
		// What agrees with this reading was right all along: no longer doubted.
		wasRight(state, [suspicion, ...[...own, ...others].filter((one) => alike(one, gapL, sdL))]);
		return giveWay(state, entry, said, kind, gapL);
	}
	state.doubts.push({
		entry: entry.id,
		instrument: entry.instrument,
		why: `It says ${litresText(isBand ? nearest : said.from)}; everything else says ${litresText(mean)}, give or take ${litresText(1.645 * Math.sqrt(variance))}.`
	});
	state.suspicions = [
		...state.suspicions.filter(({ pool }) => pool !== said.pool),
		...here.filter(({ instrument }) => instrument !== entry.instrument).slice(-4),
		...own.slice(-4),
		suspicion
	];
}

/** The meter was set: it counts from the value shown now, and what it had counted is forgotten. */
function restart(model: Model, state: FilterState, meter: Meter, value: number): void {
	const counted = model.counted.get(meter.id);
	if (counted === undefined) return;
	state.belief.set(counted, 0, 0);
	state.meterBase.set(meter.id, value);
}

/** Displays of this many digits or more may have rolled over to 0. */
const ROLLS_FROM = 1000;

/** An up counter that stands near 0 after it stood near all nines has rolled over: the value it would show now. */
function rolledOver(before: number, value: number): number | undefined {
	const round = 10 ** Math.ceil(Math.log10(before + 1e-9));
	return before >= 0.95 * round && round >= ROLLS_FROM && value < 0.1 * round ? value + round : undefined;
}

function readMeter(model: Model, state: FilterState, entry: Reading, meter: Meter): void {
	if (typeof entry.value !== 'number') return;
	const base = state.meterBase.get(meter.id);
	if (entry.reset || base === undefined) return restart(model, state, meter, entry.value);
	const counted = state.belief.mean[model.counted.get(meter.id) ?? -1] ?? 0;
	const units = counted / (meter.unitL * (meter.scale ?? 1));
	const rolled = meter.counts === 'up' ? rolledOver(base + units, entry.value) : undefined;
	const said = meterMeasurement(model, state, meter, rolled ?? entry.value);
	if (said.from < -displaySd(meter, entry.value)) {
		const why = `It shows ${entry.value}, on the wrong side of the ${base} from which it counts ${meter.counts}. It was probably reset; it counts from here.`;
		state.doubts.push({ entry: entry.id, instrument: meter.id, why });
		return restart(model, state, meter, entry.value);
	}
	weigh(model, state, entry, said, meter.kind, false);
}

const ignored = (state: FilterState, entry: Reading, why: string): void =>
	void state.doubts.push({ entry: entry.id, instrument: entry.instrument, why });

/**
 * A reading as a measurement of the joint belief.
 *
 * @param failing instruments that are judged and not used
 */
export function applyReading(
	model: Model,
	state: FilterState,
	entry: Reading,
	failing: ReadonlySet<string>
): void {
	const instrument = model.instruments.get(entry.instrument);
	if (!instrument) return;
	if (instrument.kind === 'meter') return readMeter(model, state, entry, instrument);
	const place = model.places.get(instrument.tank);
	if (!place) return;
	if (instrument.kind === 'gauge') {
		const usableL = place.share * place.pool.usableL;
		const band = gaugeBand(instrument, usableL, entry.value);
		if (!band) return ignored(state, entry, 'The gauge has no such reading on its curve.');
		const [from, to] = openEnded(instrument, band, entry.value);
		const said = levelMeasurement(place, from, to, sdOfGauge(model, instrument));
		return weigh(model, state, entry, said, 'gauge', failing.has(instrument.id));
	}
	const dipped = rodLitres(model, instrument, entry);
	if (!dipped)
		return ignored(
			state,
			entry,
			'The tank has no shape yet, so a depth cannot be turned into litres. Give it one in Rig.'
		);
	weigh(model, state, entry, levelMeasurement(place, dipped.litres, dipped.litres, dipped.sd), 'rod', false);
}

/** Full or empty seen with one's own eyes: nearly exact; a belief that cannot explain it gives way. */
export function applyMark(model: Model, state: FilterState, entry: EntryOf<'mark'>): void {
	const place = model.places.get(entry.tank);
	if (!place) return;
	const { pool } = place;
	const { belief } = state;
	const seen =
		entry.state === 'full'
			? { litres: pool.usableL, sd: pool.fullSdL }
			: { litres: pool.emptyL, sd: Math.max(pool.emptySdL, 0.001 * pool.usableL) };
	const h: Sparse = [[pool.index, 1]];
	const now = posterior(model, state);
	const gap = seen.litres - dot(now.mean, h);
	if (gap ** 2 > PARAMETERS.gate ** 2 * (now.varianceOf(h) + seen.sd ** 2)) {
		if (couldBeMissed(model, pool.index, gap))
			noteMissedEntry(model, state, pool.index, { litres: Math.abs(gap), upToL: seen.litres }, undefined);
		belief.doubt(h, gap ** 2);
	}
	belief.learn(h, seen.sd ** 2, { mean: seen.litres, variance: 0 });
	agreed(state, pool.index);
}
