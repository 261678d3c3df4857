import type { EntryDraft, Habit, Outlet, Rig, Tank } from '../../logbook/index.js';

/** Common values to begin with, mean and standard deviation of litres of one time and of times; guesses, until a person measures. */
const STARTING_HABITS = Object.freeze([
	{
		name: 'Shower',
		at: 'shower',
		litres: [9, 3.5],
		times: [0.5, 0.25],
		per: 'person-day',
		kept: 0,
		addsL: 0
	},
	{ name: 'Dishes', at: 'sink', litres: [6, 2], times: [1.5, 0.5], per: 'day', kept: 0, addsL: 0 },
	{
		name: 'Wash hands',
		at: 'sink',
		litres: [0.4, 0.15],
		times: [4, 2],
		per: 'person-day',
		kept: 0,
		addsL: 0
	},
	{ name: 'Teeth', at: 'sink', litres: [0.3, 0.1], times: [2, 0.4], per: 'person-day', kept: 0, addsL: 0 },
	{ name: 'Cooking', at: 'sink', litres: [2, 0.7], times: [1, 0.4], per: 'person-day', kept: 0.6, addsL: 0 },
	{
		name: 'Drinking',
		at: 'sink',
		litres: [2.3, 0.6],
		times: [1, 0.25],
		per: 'person-day',
		kept: 1,
		addsL: 0
	},
	{ name: 'Flush', at: 'toilet', litres: [0.6, 0.2], times: [5, 1.5], per: 'person-day', kept: 0, addsL: 0.3 }
] as const);

/** What a newcomer says of their rig. */
export interface Beginning {
	readonly name: string;
	readonly kind: Rig['kind'];
	readonly crew: number;
	readonly freshL: number;
	/** absent: grey runs to the ground or overboard */
	readonly greyL?: number | undefined;
	/** absent: no toilet that the rig's water flushes */
	readonly blackL?: number | undefined;
	/** they are out on workdays, so that most is used on weekends; all days are alike when absent */
	readonly outOnWorkdays?: boolean | undefined;
}

/** Where the usual habits happen; those with no place are left out. */
export type Places = Readonly<Partial<Record<(typeof STARTING_HABITS)[number]['at'], Outlet>>>;

/** The usual habits at the outlets a rig has. */
export const habitsAt = (places: Places, makeId: () => string): readonly Habit[] =>
	STARTING_HABITS.flatMap(({ name, at, litres, times, per, kept, addsL }): readonly Habit[] => {
		const place = places[at];
		if (!place) return [];
		return [
			{
				id: makeId(),
				name,
				outlet: place.id,
				litresEach: { mean: litres[0], sd: litres[1] },
				often: { times: times[0], per, sd: times[1] },
				...(kept > 0 ? { keptFraction: kept } : {}),
				...(addsL > 0 ? { addsL } : {})
			}
		];
	});

/** Out at work, or at school: half as much on workdays and the rest on weekends; a beginning, which the log corrects. */
const OUT_ON_WORKDAYS = Object.freeze([0.6, 0.6, 0.6, 0.6, 0.6, 2, 2]);

/** The same habits of people who are out on workdays. */
export const outOnWorkdays = (habits: readonly Habit[]): readonly Habit[] =>
	habits.map((habit) => ({ ...habit, often: { ...habit.often, weekdays: [...OUT_ON_WORKDAYS] } }));

const LEAST_RESERVE = 0.08;

const tankOf = (id: string, name: string, holds: Tank['holds'], nominalL: number): Tank => ({
	id,
	name,
	holds,
	nominalL,
	reserveL: Math.round(LEAST_RESERVE * nominalL)
});

/**
 * A rig with common outlets and habits around the tanks a newcomer names.
 *
 * @param makeId gives a new id at every call
 */
export function startingRig(beginning: Beginning, makeId: () => string): Rig {
	const fresh = tankOf(makeId(), 'Fresh', 'fresh', beginning.freshL);
	const grey = beginning.greyL === undefined ? undefined : tankOf(makeId(), 'Grey', 'grey', beginning.greyL);
	const black =
		beginning.blackL === undefined
			? undefined
			: tankOf(makeId(), beginning.kind === 'boat' ? 'Holding' : 'Black', 'black', beginning.blackL);
	const elsewhere = beginning.kind === 'boat' ? 'overboard' : 'ground';
	const outlet = (name: string, to: string): Outlet => ({ id: makeId(), name, from: fresh.id, to });
	const outlets = {
		sink: outlet('Sink tap', grey?.id ?? elsewhere),
		shower: outlet('Shower', grey?.id ?? elsewhere),
		...(black ? { toilet: outlet('Toilet flush', black.id) } : {})
	};
	const usual = habitsAt(outlets, makeId);
	const habits = beginning.outOnWorkdays ? outOnWorkdays(usual) : usual;
	return {
		id: makeId(),
		name: beginning.name,
		kind: beginning.kind,
		crew: beginning.crew,
		tanks: [fresh, ...(grey ? [grey] : []), ...(black ? [black] : [])],
		outlets: Object.values(outlets),
		instruments: [],
		habits,
		measures: [],
		containers: [],
		care: []
	};
}

/**
 * The first entries: how much fresh water is aboard, and waste tanks as empty as they were said to be.
 *
 * @param freshL litres in the fresh tank; 'full' for the brim
 */
export function firstEntries(
	rig: Rig,
	freshL: number | 'full',
	wasteEmpty: boolean,
	at: string
): readonly EntryDraft[] {
	return rig.tanks.flatMap((tank): readonly EntryDraft[] => {
		if (tank.holds !== 'fresh') return wasteEmpty ? [{ kind: 'dump', at, tank: tank.id, to: 'empty' }] : [];
		if (freshL === 'full') return [{ kind: 'mark', at, tank: tank.id, state: 'full' }];
		return [
			{ kind: 'mark', at, tank: tank.id, state: 'empty' },
			{ kind: 'fill', at, tank: tank.id, litres: freshL }
		];
	});
}
