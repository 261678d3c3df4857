/** What a class of logbooks must reach in `npm run calibrate`; a miss fails it. */
export interface Target {
	/** share of truths inside the band that is to hold nine in ten: at least, and at most, sampling error aside */
	readonly inside: readonly [least: number, most: number];
	/** mean width of the band, share of the tank: at most */
	readonly width: number;
}

/**
 * Widths that the estimate had in this same world before its bands were honest, share of the tank. An independent filter's
 * were an eighth wider on the average; honest ones are at most a tenth wider than those, or a third where half of all is
 * unwritten, only the plates are known, or nothing is ever read: what the rig says is a guess, and in the first week nothing but
 * a fill tells whether half of it was lived or half of it written. (From the twelfth day on they are as narrow as before: the lives.)
 */
const BEFORE: Readonly<Record<string, number>> = {
	'meter only': 0.346,
	'habits only': 0.239,
	'habits only, rate stated': 0.228,
	'meter and habits': 0.157,
	'rod and habits': 0.175,
	'lights and habits': 0.185,
	everything: 0.139,
	'everything, plates only': 0.164,
	'meter resets': 0.158,
	'lying gauge': 0.165,
	'lying sender, no meter': 0.175,
	'fresh gauge stands still': 0.159,
	'fresh lights jump': 0.166,
	'grey gauge reads high': 0.156,
	'fresh gauge reads high': 0.154,
	'missed fill': 0.161,
	'half unlogged, missed fill': 0.243,
	'meter daily, only showers logged': 0.33,
	'every use logged, no instrument': 0.238,
	'lights twice a day, nothing logged': 0.319,
	'rod every other day, 60 % logged': 0.241,
	'countdown, percent gauges, rod, hook-ups, 80 % logged': 0.146,
	'half logged in batches, missed fill': 0.277,
	'lying gauge, meter, 30 % logged': 0.276,
	'meter in gallons, 40 % logged': 0.264,
	'only the hose metered, half logged': 0.331,
	'plates only, meter, 60 % logged': 0.236,
	'two jugs poured in, rod every third day, 70 % logged': 0.208,
	'guests, meter, 60 % logged': 0.222
};
const HALF_KNOWN: ReadonlySet<string> = new Set([
	'habits only',
	'every use logged, no instrument',
	'everything, plates only',
	'half unlogged, missed fill',
	'half logged in batches, missed fill',
	'lying gauge, meter, 30 % logged',
	'meter in gallons, 40 % logged',
	'only the hose metered, half logged',
	'plates only, meter, 60 % logged'
]);

const INDEPENDENT = 1.13;
/** Bands may hold a little more than they say, never less; where a fill is missing, too, nobody knows until something is read. */
const INSIDE = [0.88, 0.95] as const;
const HALF_UNLOGGED_AND_A_FILL_MISSING = [0.85, 0.95] as const;

export function targetOf(name: string): Target {
	const before = BEFORE[name];
	if (before === undefined)
		throw new RangeError(`no width is on record for the class ${JSON.stringify(name)}`);
	return {
		inside: /^half .*missed fill/.test(name) ? HALF_UNLOGGED_AND_A_FILL_MISSING : INSIDE,
		width: before * INDEPENDENT * (HALF_KNOWN.has(name) ? 4 / 3 : 1.1)
	};
}

/** What every class of lives must reach that the rig did not foresee, from the twelfth day on, sampling error aside. */
export const LIFE = {
	/** share of levels inside the band that is to hold nine in ten */
	inside: [0.85, 0.96],
	/** median of p50 over what was true */
	middle: [0.85, 1.18],
	/** shares of stays that ended before p10, and before p90 */
	before: [
		[0.05, 0.2],
		[0.8, 0.95]
	]
} as const;

/**
 * Where now and then nobody writes: levels inside in each part of such a life, shares of 1, and how wide they may be in a
 * silence. Where nobody was there they are surer to be inside than they must be: most who write nothing live on.
 */
export const SILENCE = { inside: [0.85, 0.99], width: 0.6 } as const;
