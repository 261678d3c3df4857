/**
 * Every noise, gate and rate of the estimate that the file format does not fix, in one place. `unit` says what the
 * number counts; `source` where it comes from: the file format's own page, a standard argument, or the calibration
 * (`npm run calibrate`), in which it was found.
 */
const TABLE = {
	meanShare: {
		value: 0.5,
		unit: 'share of the variance of one time',
		source: 'doubt of the mean against scatter; calibration, flat between 0.4 and 0.7'
	},
	residual: { value: 0.35, unit: 'share of residualL', source: 'file format' },
	movedShare: { value: 0.03, unit: 'share of the litres moved', source: 'file format' },
	movedLeastL: { value: 0.5, unit: 'L', source: 'file format' },
	usedShare: { value: 0.05, unit: 'share of the litres used', source: 'file format' },
	usedLeastL: { value: 0.2, unit: 'L', source: 'file format' },
	gaugeShare: { value: 0.05, unit: 'share of usableL', source: 'file format' },
	meterShare: { value: 0.02, unit: 'share of what was counted', source: 'file format' },
	rodMm: { value: 4, unit: 'mm', source: 'file format' },
	plateCeiling: { value: 1.08, unit: 'share of nominalL', source: 'a plate is right to 5 %; 1.6 deviations' },
	rounding: {
		value: 0.29,
		unit: 'share of the last digit',
		source: 'deviation of a uniform rounding, 1/√12'
	},
	cadence: {
		value: 0.22,
		unit: 'share of the usual cadence',
		source: 'doubt of `often` where the rig gives none; calibration'
	},
	dayDiffers: { value: 0.2, unit: 'share of a day', source: 'days differ from each other; calibration' },
	forgets: {
		value: 0.25,
		unit: 'share of what is unlogged',
		source: 'small uses are forgotten more than large ones; calibration'
	},
	broad: {
		value: 2.5,
		unit: 'share of the usual litres',
		source: 'before the log is counted: wider than anything it may say'
	},
	statedMix: {
		value: 0.35,
		unit: 'share of a habit’s part',
		source: 'which habits a stated rate comes from; calibration'
	},
	rareLumps: {
		value: 1,
		unit: 'share of a variance',
		source: 'rare lumps are skewed: a normal needs more to hold nine in ten of them; calibration'
	},
	rateWalk: {
		value: 0.06,
		unit: 'share of the usual litres, per √day',
		source: 'people grow careless or careful; calibration'
	},
	anyLumpL: { value: 3, unit: 'L', source: 'one use in a rig without habits: between hands and a wash-up' },
	nobodyKnowsL: {
		value: 12,
		unit: 'L per person and day',
		source: 'use in a rig without habits: modest living off-grid'
	},
	gate: { value: 4, unit: 'deviations', source: 'two-sided 6 in 100 000 for an honest rod or meter' },
	gaugeGate: {
		value: 3.1,
		unit: 'deviations',
		source: 'two-sided 2 in 1000; calibration: honest readings doubted below 1 %'
	},
	distrustedGate: { value: 2.3, unit: 'deviations', source: 'a gauge doubted just before; calibration' },
	drift: {
		value: 6,
		unit: 'deviations',
		source:
			'sum at which small losses are said (Page 1954); an honest rod comes there once in some thousand readings'
	},
	driftSlack: {
		value: 0.5,
		unit: 'deviations',
		source: 'half the shift to be found, as usual for a cumulative sum'
	},
	strain: {
		value: 5.5,
		unit: '−ln chance',
		source: 'sum of strain at which a gauge is doubted; below 1 in 100 runs for an honest one'
	},
	strainSlack: { value: 1.85, unit: '−ln chance', source: 'twice what an honest reading adds on average' },
	hint: { value: 3, unit: '−ln chance', source: 'strain at which a gauge is looked at without itself' },
	hintSlack: {
		value: 1.2,
		unit: '−ln chance',
		source: 'a little more than an honest reading adds on average, which is 1'
	},
	wakesAt: { value: 7, unit: 'hour of the day', source: 'unlogged use follows the waking day' },
	sleepsAt: { value: 23, unit: 'hour of the day', source: 'unlogged use follows the waking day' },
	nightShare: { value: 0.04, unit: 'share of a day’s use', source: 'a flush and a sip at night' },
	impossible: {
		value: 0.06,
		unit: 'share of usableL',
		source: 'how far below empty or above full a belief may run before an entry must be missing; calibration'
	},
	missedWeight: {
		value: 0.25,
		unit: 'chance',
		source: 'that a doubted reading is right while nothing else settles it'
	}
} as const satisfies Readonly<Record<string, { value: number; unit: string; source: string }>>;

export type NoiseName = keyof typeof TABLE;

/** The table with units and sources, for the documentation. */
export const noiseTable: Readonly<Record<NoiseName, { value: number; unit: string; source: string }>> = TABLE;

/** The numbers alone. */
export const NOISE = Object.freeze(
	Object.fromEntries(Object.entries(TABLE).map(([name, { value }]) => [name, value]))
) as Readonly<Record<NoiseName, number>>;
