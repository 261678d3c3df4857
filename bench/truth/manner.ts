/** What a made-up crew has aboard and how careful they are: one class of logbooks. */
export interface Manner {
	readonly name: string;
	/** chance that a use is written down, over all habits; each habit has its own about it */
	readonly logged: number;
	/** this habit alone is ever written down */
	readonly only?: string;
	/** uses are written down in the evening, those of one habit in one line */
	readonly batches?: boolean;
	readonly meter?: 'pump' | 'fill';
	/** the meter counts down from what is aboard, is set at each fill, and stops at 0 */
	readonly countdown?: boolean;
	/** the meter shows gallons */
	readonly gallons?: boolean;
	readonly gauges?: 'lights' | 'sender';
	readonly rod?: boolean;
	/** days from one reading to the next, where it is not every day or so */
	readonly meterEvery?: number;
	readonly rodEvery?: number;
	/** gauges are looked at morning and evening, without fail */
	readonly gaugesTwice?: boolean;
	/** a gauge lies from about a third of the trip on: it jumps somewhere and stays, stands still, or shows too much */
	readonly lies?: 'jumps' | 'stands' | 'reads high';
	/** whose gauge lies: the grey tank's unless said */
	readonly liar?: 'fresh' | 'grey';
	/** the meter is reset now and then, and written down */
	readonly resets?: boolean;
	/** one fill in the middle is not written down */
	readonly missedFill?: boolean;
	/** the rig says how much goes unlogged */
	readonly states?: boolean;
	/** usable volumes are not measured: only the plates are known */
	readonly plates?: boolean;
	/** now and then they stand at a hook-up, with a sewer at some */
	readonly hookups?: boolean;
	/** the black tank is a cassette, which no sewer empties */
	readonly cassette?: boolean;
	/** water comes in two jugs that are poured into the tank */
	readonly jugs?: boolean;
	/** guests come for some days in the middle */
	readonly guests?: boolean;
	/** times as much is done as the rig says; once when absent */
	readonly pace?: number;
	/** other people come aboard then, days, who live at a pace and in ways of their own */
	readonly newCrewOn?: number;
	/** times as much is done on Saturdays and Sundays as on other days, the week being as the rig says */
	readonly weekends?: number;
	/** now and then they write nothing for a while, and then are as before */
	readonly silences?: Silences;
	/** figures are mistyped, fills and dumps forgotten, uses written down by both of two people */
	readonly slips?: boolean;
	/** chance that an evening's writing is skipped, for good */
	readonly skips?: number;
}

/** When nobody writes. */
interface Silences {
	/** days from the end of one to the beginning of the next, in the mean */
	readonly every: number;
	/** how long one is, days */
	readonly days: readonly [number, number];
	/** chance that nobody is aboard then */
	readonly away?: number;
}

/** What people have and write who live otherwise than their rig says. */
const WAYS: readonly Manner[] = [
	{ name: 'meter daily, nothing logged', logged: 0, meter: 'pump', meterEvery: 1 },
	{ name: 'meter daily, 90 % logged', logged: 0.9, meter: 'pump', meterEvery: 1 },
	{ name: 'lights only', logged: 0, gauges: 'lights' },
	{ name: 'fills and dumps only', logged: 0 },
	{ name: 'all logged', logged: 1 }
];

/** People whose pens slip. */
const SLIPPING: readonly Manner[] = [
	{ name: 'slips: meter, lights, 90 % logged', logged: 0.9, meter: 'pump', gauges: 'lights', slips: true },
	{ name: 'slips: rod, 90 % logged', logged: 0.9, rod: true, slips: true },
	{ name: 'slips: meter, 90 % logged', logged: 0.9, meter: 'pump', slips: true }
];

/** The paces of households, of what their rigs say, and weeks that are not all alike: the classes of lives. */
export const LIVES: readonly Manner[] = [
	...[0.5, 0.75, 1, 1.3, 1.7].flatMap((pace) =>
		WAYS.map((way): Manner => ({ ...way, name: `${pace} times: ${way.name}`, pace }))
	),
	...[WAYS[1], WAYS[0]].flatMap((way): readonly Manner[] =>
		way ? [{ ...way, name: `another crew: ${way.name}`, newCrewOn: 9 }] : []
	),
	...[WAYS[4], WAYS[0]].flatMap((way): readonly Manner[] =>
		way ? [{ ...way, name: `weekends 2.5 times a workday: ${way.name}`, weekends: 2.5 }] : []
	),
	...SLIPPING
];

const SILENCES: Silences = { every: 6, days: [1, 2.5] };
/** People who write, and then for a while do not. */
export const SILENT: readonly Manner[] = [
	{ name: '90 % logged, silences', logged: 0.9, silences: SILENCES },
	{
		name: 'meter daily, 90 % logged, silences',
		logged: 0.9,
		meter: 'pump',
		meterEvery: 1,
		silences: SILENCES
	},
	{ name: '90 % logged, nobody aboard in the silences', logged: 0.9, silences: { ...SILENCES, away: 1 } },
	{
		name: 'meter daily, 90 % logged, nobody aboard in the silences',
		logged: 0.9,
		meter: 'pump',
		meterEvery: 1,
		silences: { ...SILENCES, away: 1 }
	},
	{ name: '90 % logged, silences of hours', logged: 0.9, silences: { every: 3, days: [0.3, 0.7] } },
	{
		name: '70 % logged, rod, silences, some away',
		logged: 0.7,
		rod: true,
		silences: { ...SILENCES, away: 0.3 }
	},
	{ name: 'lights and habits, silences', logged: 0.85, gauges: 'lights', silences: SILENCES },
	{ name: 'written in the evening, some evenings skipped', logged: 0.95, batches: true, skips: 0.12 },
	{
		name: 'meter daily, written in the evening, some evenings skipped',
		logged: 0.95,
		batches: true,
		skips: 0.12,
		meter: 'pump',
		meterEvery: 1
	}
];

/** The classes of logbooks that the engine is judged on. */
export const MANNERS: readonly Manner[] = [
	{ name: 'meter only', logged: 0, meter: 'pump' },
	{ name: 'habits only', logged: 0.97 },
	{ name: 'habits only, rate stated', logged: 0.97, states: true },
	{ name: 'meter and habits', logged: 0.9, meter: 'pump' },
	{ name: 'rod and habits', logged: 0.9, rod: true },
	{ name: 'lights and habits', logged: 0.85, gauges: 'lights' },
	{ name: 'everything', logged: 0.95, meter: 'pump', gauges: 'sender', rod: true },
	{ name: 'everything, plates only', logged: 0.95, meter: 'pump', gauges: 'lights', plates: true },
	{ name: 'meter resets', logged: 0.9, meter: 'pump', resets: true },
	{ name: 'lying gauge', logged: 0.9, meter: 'pump', gauges: 'lights', lies: 'jumps' },
	{ name: 'lying sender, no meter', logged: 0.9, gauges: 'sender', lies: 'jumps' },
	{
		name: 'fresh gauge stands still',
		logged: 0.9,
		meter: 'pump',
		gauges: 'sender',
		lies: 'stands',
		liar: 'fresh'
	},
	{ name: 'fresh lights jump', logged: 0.9, meter: 'pump', gauges: 'lights', lies: 'jumps', liar: 'fresh' },
	{ name: 'grey gauge reads high', logged: 0.9, meter: 'pump', gauges: 'sender', lies: 'reads high' },
	{
		name: 'fresh gauge reads high',
		logged: 0.9,
		rod: true,
		gauges: 'sender',
		lies: 'reads high',
		liar: 'fresh'
	},
	{ name: 'missed fill', logged: 0.9, meter: 'pump', gauges: 'sender', missedFill: true },
	{ name: 'half unlogged, missed fill', logged: 0.5, gauges: 'lights', meter: 'pump', missedFill: true },
	{ name: 'meter daily, only showers logged', logged: 0.85, only: 'shower', meter: 'pump' },
	{ name: 'every use logged, no instrument', logged: 1 },
	{ name: 'lights twice a day, nothing logged', logged: 0, gauges: 'lights', gaugesTwice: true },
	{ name: 'rod every other day, 60 % logged', logged: 0.6, rod: true, rodEvery: 2 },
	{
		name: 'countdown, percent gauges, rod, hook-ups, 80 % logged',
		logged: 0.8,
		meter: 'pump',
		countdown: true,
		gauges: 'sender',
		rod: true,
		rodEvery: 2,
		hookups: true,
		cassette: true
	},
	{
		name: 'half logged in batches, missed fill',
		logged: 0.5,
		batches: true,
		missedFill: true,
		gauges: 'lights'
	},
	{
		name: 'lying gauge, meter, 30 % logged',
		logged: 0.3,
		meter: 'pump',
		gauges: 'lights',
		lies: 'jumps',
		liar: 'fresh'
	},
	{ name: 'meter in gallons, 40 % logged', logged: 0.4, meter: 'pump', gallons: true, meterEvery: 1 },
	{ name: 'only the hose metered, half logged', logged: 0.5, meter: 'fill' },
	{ name: 'plates only, meter, 60 % logged', logged: 0.6, meter: 'pump', plates: true },
	{
		name: 'two jugs poured in, rod every third day, 70 % logged',
		logged: 0.7,
		jugs: true,
		rod: true,
		rodEvery: 3
	},
	{ name: 'guests, meter, 60 % logged', logged: 0.6, meter: 'pump', guests: true }
];
