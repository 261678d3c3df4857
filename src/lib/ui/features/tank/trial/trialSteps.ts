import type { Instrument, Meter, Tank, Trial } from '$core/logbook';
import { countedBetween, type MeterCount } from '$core/rig';

export type TrialKind = Trial['kind'];

export const TRIAL_WORDS: Readonly<Record<TrialKind, string>> = {
	'run-dry': 'Run dry',
	'back-up': 'Fill until it backs up',
	stepwise: 'Step by step',
	bucket: 'Bucket'
};

/** What each trial finds out, in a sentence. */
export const TRIAL_SAYS: Readonly<Record<TrialKind, string>> = {
	'run-dry': 'How much you can really draw: from the overflow to where the pump sucks air.',
	'back-up': 'How much really fits: from drained to where it backs up. Repeat it three or four times.',
	stepwise:
		'What the dipstick or gauge shows at each known volume: pour, look, pour. You need no other gauge.',
	bucket: 'What one displayed unit of a meter really is: run it into a bucket of known size.'
};

/** The trials that suit a tank. */
export const trialsFor = (tank: Tank): readonly TrialKind[] => [
	tank.holds === 'fresh' ? 'run-dry' : 'back-up',
	'stepwise',
	'bucket'
];

const showsLights = (one: Instrument): boolean =>
	one.kind === 'gauge' && one.curve.some(({ reads }) => typeof reads === 'string');

/**
 * The instruments that can serve a trial; none are needed where water is counted by hand. Lights show no numbers to
 * write down step by step: they learn from the log.
 */
export function instrumentsFor(
	kind: TrialKind,
	tank: Tank,
	instruments: readonly Instrument[]
): readonly Instrument[] {
	if (kind === 'stepwise')
		return instruments.filter((one) => one.kind !== 'meter' && one.tank === tank.id && !showsLights(one));
	return instruments.filter((one) => one.kind === 'meter' && (kind !== 'bucket' || one.tank === tank.id));
}

export const isMeter = (instrument: Instrument | undefined): instrument is Meter =>
	instrument?.kind === 'meter';
/** Whether a step of a stepwise trial shows less than the one before it, though water was poured in between. */
export const falls = (readings: NonNullable<Trial['readings']>, i: number): boolean =>
	i > 0 && (readings[i]?.reads ?? 0) < (readings[i - 1]?.reads ?? 0);

/** What two figures of a meter come to, or nothing while one is missing. */
export const counted = (
	meter: Meter | undefined,
	from: number | undefined,
	to: number | undefined
): MeterCount | undefined =>
	meter && from !== undefined && to !== undefined ? countedBetween(meter, from, to) : undefined;
