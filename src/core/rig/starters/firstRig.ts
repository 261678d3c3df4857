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

/** How a toilet is flushed, and where that goes. */
interface ToiletKind {
	readonly key: string;
	/** as one would say it */
	readonly says: string;
	/** what its waste goes into is called, aboard a camper or a boat */
	readonly tank?: string;
	/** what that commonly holds, litres */
	readonly usualL?: number;
	/** it is carried to be emptied */
	readonly portable?: true;
	/** its water is drawn from no tank: the sea, a tank of its own, none */
	readonly outside?: true;
	/** litres of a flush, mean and standard deviation */
	readonly flush?: readonly [number, number];
	readonly habit?: string;
}

/** The toilets that people have: by that, and not by litres, goes how long water and waste last. */
export const TOILETS = Object.freeze([
	{
		key: 'cassette',
		says: 'a cassette that is carried out',
		tank: 'Cassette',
		usualL: 18,
		portable: true,
		flush: [0.6, 0.2]
	},
	{ key: 'over-tank', says: 'over a built-in black tank', tank: 'Black', usualL: 80, flush: [2, 0.6] },
	{ key: 'holding', says: 'pumped into a holding tank', tank: 'Holding', usualL: 45, flush: [1.5, 0.5] },
	{
		key: 'sea',
		says: 'flushed with sea water, into a holding tank',
		tank: 'Holding',
		usualL: 45,
		outside: true,
		flush: [2.5, 0.8]
	},
	{
		key: 'own-flush',
		says: 'with its own flush tank, filled separately',
		tank: 'Cassette',
		usualL: 20,
		portable: true,
		outside: true,
		flush: [0.4, 0.15]
	},
	{
		key: 'bottle',
		says: 'composting, with a bottle for urine',
		tank: 'Urine bottle',
		usualL: 8,
		portable: true,
		outside: true,
		habit: 'Urine'
	},
	{ key: 'none', says: 'none' }
] as const satisfies readonly ToiletKind[]);
/** The key of a kind of toilet. */
export type Toilet = (typeof TOILETS)[number]['key'];
/** What is known of a kind of toilet. */
export const toiletOf = (key: Toilet): ToiletKind => TOILETS.find((one) => one.key === key) as ToiletKind;

/** What a newcomer says of their rig. */
export interface Beginning {
	readonly name: string;
	readonly kind: Rig['kind'];
	/** grown-ups and children */
	readonly crew: number;
	/** babies in nappies, who flush nothing, and dogs: both drink, and a baby is bathed */
	readonly babies?: number | undefined;
	readonly dogs?: number | undefined;
	/** absent: jugs only */
	readonly freshL?: number | undefined;
	/** jugs aboard, and what each holds; without a tank the first one stands at the tap */
	readonly jugs?: { readonly count: number; readonly litres: number } | undefined;
	/** absent: grey runs where `greyTo` says */
	readonly greyL?: number | undefined;
	readonly greyTo?: 'ground' | 'overboard' | undefined;
	readonly toilet: Toilet;
	/** what its waste tank holds, and how many there are that take turns; the usual where absent, and one */
	readonly blackL?: number | undefined;
	readonly blackCount?: number | undefined;
	/** they are out on workdays, so that most is used on weekends; all days are alike when absent */
	readonly outOnWorkdays?: boolean | undefined;
}

/** Where the usual habits happen; those with no place are left out. */
export type Places = Readonly<Partial<Record<(typeof STARTING_HABITS)[number]['at'], Outlet>>>;

/** Above 25 °C about a twentieth more for each degree, and more with hard work: drinking does both. */
const DRINKING_RISES = Object.freeze({ fromC: 25, perC: 0.05, exertion: true } as const);

/** What is kept for drinking, litres a person and day: craft, not law. */
const KEPT = Object.freeze({ personL: 3, babyL: 1.5, dogL: 1, days: 1 });

/** What a starting rig keeps for drinking, by who is aboard. */
export const drinkingOf = ({
	crew,
	babies = 0,
	dogs = 0
}: Pick<Beginning, 'crew' | 'babies' | 'dogs'>): NonNullable<Rig['drinking']> => ({
	litresPerPersonDay: Number(
		((KEPT.personL * crew + KEPT.babyL * babies + KEPT.dogL * dogs) / Math.max(1, crew)).toFixed(2)
	),
	days: KEPT.days
});

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
				...(addsL > 0 ? { addsL } : {}),
				...(kept === 1 ? { rises: { ...DRINKING_RISES } } : {})
			}
		];
	});

/** Out at work, or at school: half as much on workdays and the rest on weekends; a beginning, which the log corrects. */
const OUT_ON_WORKDAYS = Object.freeze([0.6, 0.6, 0.6, 0.6, 0.6, 2, 2]);

/** The same habits of people who are out on workdays. */
export const outOnWorkdays = (habits: readonly Habit[]): readonly Habit[] =>
	habits.map((habit) => ({ ...habit, often: { ...habit.often, weekdays: [...OUT_ON_WORKDAYS] } }));

/** What of a tank is room to keep, or water for who reads no more of a rig than its reserves. */
const [LEAST_ROOM, MOST_RESERVE] = [0.08, 0.25];

const wasteTank = (id: string, name: string, holds: Tank['holds'], nominalL: number): Tank => ({
	id,
	name,
	holds,
	nominalL,
	reserveL: Math.round(LEAST_ROOM * nominalL)
});

/** By people, not by the plate. */
const reserveOf = (crew: number, nominalL: number): number =>
	Math.min(KEPT.personL * crew, Math.round(MOST_RESERVE * nominalL));

/** The fresh tank and its jugs; without a tank the first jug stands at the tap and the others take its place. */
function freshTanks({ freshL, jugs, crew }: Beginning, makeId: () => string): readonly Tank[] {
	const jug = (name: string, reserveL: number, feeds?: string): Tank => ({
		id: makeId(),
		name,
		holds: 'fresh',
		nominalL: jugs?.litres ?? 0,
		reserveL,
		portable: true,
		tareKg: 1,
		...(feeds === undefined ? {} : { feeds })
	});
	const count = jugs && jugs.litres > 0 ? jugs.count : 0;
	const first: Tank =
		freshL === undefined
			? jug('Jug at the tap', reserveOf(crew, jugs?.litres ?? 0))
			: { id: makeId(), name: 'Fresh', holds: 'fresh', nominalL: freshL, reserveL: reserveOf(crew, freshL) };
	const others = freshL === undefined ? count - 1 : count;
	return [
		first,
		...Array.from({ length: Math.max(0, others) }, (_, i) =>
			jug(others === 1 ? 'Jug' : `Jug ${i + 1}`, 0, first.id)
		)
	];
}

/** Water that is put back into black after a dump: about a twentieth of it, to the half litre. */
const chargeFor = (nominalL: number): number => Math.max(0.5, Math.round(2 * 0.05 * nominalL) / 2);

/** What a toilet's waste goes into, and the spare ones that take its place when it is full. */
function toiletTanks({ toilet, blackL, blackCount = 1 }: Beginning, makeId: () => string): readonly Tank[] {
	const { tank, usualL = 0, portable } = toiletOf(toilet);
	if (tank === undefined) return [];
	const one = (name: string, relieves?: string): Tank => ({
		...wasteTank(makeId(), name, 'black', blackL ?? usualL),
		// A cassette is in its heated locker; a bottle is left dry.
		...(portable ? { portable, exposure: 'inside' as const } : {}),
		...(toilet === 'bottle' ? {} : { chargeL: chargeFor(blackL ?? usualL) }),
		...(relieves === undefined ? {} : { relieves })
	});
	const first = one(tank);
	const spares = portable ? blackCount - 1 : 0;
	return [
		first,
		...Array.from({ length: Math.max(0, spares) }, (_, i) =>
			one(`Spare ${tank.toLowerCase()}${spares > 1 ? ` ${i + 1}` : ''}`, first.id)
		)
	];
}

/** What those aboard use who are neither grown-ups nor children: so much once a day for each. */
const OF_OTHERS = Object.freeze([
	{ of: 'babies', name: 'Baby’s bath', at: 'shower', litres: 6, kept: 0 },
	{ of: 'babies', name: 'Baby’s bottles', at: 'sink', litres: 1.2, kept: 0.7 },
	{ of: 'dogs', name: 'Dog drinks', at: 'sink', litres: 1, kept: 1 }
] as const);

/** Babies in nappies, and dogs. */
export type Others = Pick<Beginning, 'babies' | 'dogs'>;

const habitOfOthers = (
	{ name, litres, kept }: (typeof OF_OTHERS)[number],
	outlet: string,
	count: number,
	makeId: () => string
): Habit => ({
	id: makeId(),
	name,
	outlet,
	litresEach: { mean: litres, sd: litres / 3 },
	often: { times: count, per: 'day', sd: count / 4 },
	...(kept > 0 ? { keptFraction: kept, rises: { ...DRINKING_RISES } } : {})
});

/** What babies and dogs use. */
const habitsOfOthers = (
	others: Others,
	{ sink, shower = sink }: { readonly sink: Outlet; readonly shower?: Outlet },
	makeId: () => string
): readonly Habit[] =>
	OF_OTHERS.flatMap((one) => {
		const count = others[one.of] ?? 0;
		return count > 0 ? [habitOfOthers(one, { sink, shower }[one.at].id, count, makeId)] : [];
	});

/**
 * How days are lived on which babies and dogs come aboard: so many times a day more of what they use, of a rig's own habits where it
 * has those, else of new ones that nobody aboard has on other days.
 */
export function withOthers(
	rig: Rig,
	others: Others,
	makeId: () => string
): {
	readonly added: readonly Habit[];
	readonly habits: readonly { readonly habit: string; readonly times: number }[];
} {
	const live = rig.habits.filter(({ retired }) => !retired);
	const drunk = [...live].sort((a, b) => (b.keptFraction ?? 0) - (a.keptFraction ?? 0))[0]?.outlet;
	const washed = live.find(({ name }) => /shower|bath|wash|dish/i.test(name))?.outlet;
	const outlet = drunk ?? washed ?? rig.outlets[0]?.id;
	const wanted = OF_OTHERS.filter((one) => (others[one.of] ?? 0) > 0);
	if (outlet === undefined) return { added: [], habits: [] };
	const known = wanted.map((one) => {
		const own = live.find(({ name }) => name === one.name);
		const at = one.at === 'shower' ? (washed ?? outlet) : outlet;
		return { count: others[one.of] ?? 0, own, habit: own ?? habitOfOthers(one, at, 0, makeId) };
	});
	return {
		added: known.flatMap(({ own, habit }) => (own ? [] : [habit])),
		habits: known.map(({ count, habit }) => ({ habit: habit.id, times: habit.often.times + count }))
	};
}

/** How a toilet is used: its flush by its kind, or what goes into a bottle. */
function toiletHabit(habit: Habit, { flush, habit: named }: ToiletKind): Habit {
	if (named !== undefined) {
		const { addsL: each = 0, ...rest } = habit;
		// Nothing is drawn and nothing flushes: what people add is all.
		return { ...rest, name: named, litresEach: { mean: each, sd: each / 3 } };
	}
	return flush ? { ...habit, litresEach: { mean: flush[0], sd: flush[1] } } : habit;
}

/**
 * A rig with common outlets and habits around what a newcomer says of it.
 *
 * @param makeId gives a new id at every call
 */
export function startingRig(beginning: Beginning, makeId: () => string): Rig {
	const { kind, greyTo = kind === 'boat' ? 'overboard' : 'ground' } = beginning;
	const fresh = freshTanks(beginning, makeId);
	const from = fresh[0]?.id ?? '';
	const grey =
		beginning.greyL === undefined ? undefined : wasteTank(makeId(), 'Grey', 'grey', beginning.greyL);
	const black = toiletTanks(beginning, makeId);
	const toilet = toiletOf(beginning.toilet);
	const outlet = (name: string, to: string, source = from): Outlet => ({
		id: makeId(),
		name,
		from: source,
		to
	});
	const washing = {
		sink: outlet('Sink tap', grey?.id ?? greyTo),
		// Who has no more than jugs has no shower, until they say so.
		...(beginning.freshL === undefined ? {} : { shower: outlet('Shower', grey?.id ?? greyTo) })
	};
	const outlets = {
		...washing,
		...(black[0] ? { toilet: outlet('Toilet', black[0].id, toilet.outside ? 'outside' : from) } : {})
	};
	const usual = [
		...habitsAt(outlets, makeId).map((habit) =>
			habit.outlet === outlets.toilet?.id ? toiletHabit(habit, toilet) : habit
		),
		...habitsOfOthers(beginning, washing, makeId)
	];
	return {
		id: makeId(),
		name: beginning.name,
		kind,
		crew: beginning.crew,
		drinking: drinkingOf(beginning),
		tanks: [...fresh, ...(grey ? [grey] : []), ...black],
		outlets: Object.values(outlets),
		instruments: [],
		habits: beginning.outOnWorkdays ? outOnWorkdays(usual) : usual,
		measures: [],
		containers: [],
		care: []
	};
}

/**
 * The first entries: how much fresh water is aboard, and waste tanks as empty as they were said to be. Jugs stand full.
 *
 * @param freshL litres in the first fresh tank; 'full' for the brim
 * @param potable whether that is drinking water, where one knows
 */
export function firstEntries(
	rig: Rig,
	freshL: number | 'full',
	wasteEmpty: boolean,
	at: string,
	potable?: boolean
): readonly EntryDraft[] {
	const first = rig.tanks.find(({ holds }) => holds === 'fresh');
	const said = potable === undefined ? {} : { potable };
	return rig.tanks.flatMap((tank): readonly EntryDraft[] => {
		if (tank.holds !== 'fresh') return wasteEmpty ? [{ kind: 'dump', at, tank: tank.id, to: 'empty' }] : [];
		if (freshL !== 'full' && tank === first)
			return [
				{ kind: 'mark', at, tank: tank.id, state: 'empty' },
				{ kind: 'fill', at, tank: tank.id, litres: freshL, ...said }
			];
		return potable === undefined
			? [{ kind: 'mark', at, tank: tank.id, state: 'full' }]
			: [{ kind: 'fill', at, tank: tank.id, to: 'full', potable }];
	});
}
