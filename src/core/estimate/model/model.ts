import {
	tripInUse,
	type Ahead,
	type Entry,
	type EntryOf,
	type Habit,
	type Instrument,
	type Logbook,
	type Rig
} from '../../logbook/index.js';
import type { FlowNetwork } from '../../numerics/index.js';
import { flowOf, tankById, usableOf, type Flow, type Lean } from '../../rig/index.js';
import type { Timeline, WakingDay } from '../../time/index.js';
import {
	ashoreOf,
	heelOf,
	noDischargeOf,
	cached,
	climateOf,
	crewOf,
	crewWith,
	hookUpsOf,
	personsAt,
	regimeKey,
	wakingDaysOf,
	writesInBatches,
	type Climate,
	type Crew,
	type HookUp,
	type KeyedRegime
} from '../inputs/index.js';
import * as PARAMETERS from '../parameters.js';
import type { AccountRows, FlowGains } from './accountRows.js';
import { poolsOf, type TankPlace, type Pool } from './pools.js';
import { networkOf, streamsOf, type Stream } from './streams.js';

/**
 * Everything about a rig that the replay of its entries needs: where each number stands in the state
 * [ litres in each pool | what serves of pools known by their plates | litres counted by each meter | error of each
 * meter | error of each gauge | litres of one time of each habit | unlogged litres per exposure of each stream | the
 * amount last moved | what was drawn in the last silence | how far weekends differ | litres of each habit that were used and are not yet written down ], and
 * what was believed of them beforehand.
 */
export interface Model {
	readonly rig: Rig;
	readonly size: number;
	readonly pools: readonly Pool[];
	readonly places: ReadonlyMap<string, TankPlace>;
	readonly countedRow: ReadonlyMap<string, number>;
	readonly meterErrorRow: ReadonlyMap<string, number>;
	/** the part of a gauge's error that lasts, litres */
	readonly gaugeErrorRow: ReadonlyMap<string, number>;
	/** standard deviation of each gauge's error, what lasts of it included, litres */
	readonly gaugeSdL: ReadonlyMap<string, number>;
	readonly habitRow: ReadonlyMap<string, number>;
	readonly streams: readonly Stream[];
	/** where what was used of each habit and is not yet written down stands in the state; nothing is, unless in batches */
	readonly unenteredRow: ReadonlyMap<string, number>;
	/** the rig says how much goes unlogged: the log's counts are then not asked */
	readonly statedRate: Rig['unlogged'];
	readonly movedRow: number;
	/** litres drawn in the last stretch of which nothing was written, against what flows in any case */
	readonly silenceRow: number;
	/** how far weekends differ from other days in what goes unlogged, a share; nothing where no instrument would show it */
	readonly weekendRow: number | undefined;
	readonly crew: Crew;
	/** the entries of who is aboard, those ahead too */
	readonly crewEntries: readonly Entry[];
	/** heat and exertion of the trips' stops; none where no habit rises with them */
	readonly climate: Timeline<Climate>;
	/** the hook-ups that the trips have in store */
	readonly hookUps: Timeline<HookUp>;
	/** where nothing may go overboard */
	readonly noDischarge: Timeline<boolean>;
	/** how it leans, at stops and passages that say so */
	readonly heel: Timeline<Lean | undefined>;
	/** where there are showers ashore; nothing where there never are */
	readonly ashore: Timeline<boolean>;
	readonly wakingDay: WakingDay;
	readonly instruments: ReadonlyMap<string, Instrument>;
	readonly habits: ReadonlyMap<string, Habit>;
	flow(habit: Habit, regime: KeyedRegime): Flow;
	/** where sums of what flows stand, and what a flow brings to them, while an account is kept */
	readonly accounts?: { readonly rows: AccountRows; readonly gains: WeakMap<Flow, FlowGains> };
	/** where all streams of unlogged use flow */
	network(regime: KeyedRegime): FlowNetwork;
}

/** What trips and `crew` entries say of who is aboard, and trips of heat, work and hook-ups. */
function plansOf(
	rig: Rig,
	trips: Logbook['trips'],
	entries: readonly Entry[]
): Pick<Model, 'crew' | 'climate' | 'hookUps' | 'ashore' | 'noDischarge' | 'heel'> {
	const planned = trips.map(tripInUse);
	return {
		crew: crewOf(rig, planned, entries),
		climate: rig.habits.some(({ rises }) => rises) ? climateOf(rig.id, planned) : [],
		hookUps: hookUpsOf(rig, planned),
		ashore: ashoreOf(rig.id, planned),
		noDischarge: noDischargeOf(rig.id, planned),
		heel: rig.tanks.some(({ pickUp }) => pickUp) ? heelOf(rig.id, planned) : []
	};
}

/** What of a model is not in its rig, its trips and its entries. */
export interface ModelOptions {
	/** the zone of the rig's person, for the days on which no trip is under way */
	readonly home?: string | undefined;
	/** whether uses are written down in batches; found in the entries when absent */
	readonly inBatches?: boolean | undefined;
	/** the entries of who is aboard, those ahead too; the entries themselves when absent */
	readonly crew?: readonly Entry[] | undefined;
}

/**
 * Builds the model of one rig.
 *
 * @param entries the rig's entries that count, in order: who is aboard is taken from them, and the last one's offset
 * where no zone is known
 */
export function modelOf(
	rig: Rig,
	trips: Logbook['trips'],
	entries: readonly Entry[],
	{ home = rig.timeZone, inBatches = writesInBatches(entries), crew = entries }: ModelOptions = {}
): Model {
	const pools = poolsOf(rig);
	const meters = rig.instruments.filter(({ kind }) => kind === 'meter');
	let next = pools.length + pools.filter(({ usableRow: usable }) => usable !== undefined).length;
	const place = (list: readonly { readonly id: string }[]): ReadonlyMap<string, number> =>
		new Map(list.map(({ id }) => [id, next++]));
	const places = new Map(
		pools.flatMap((pool) =>
			pool.tanks.map((tank) => [tank.id, { pool, share: usableOf(tank) / pool.usableL }] as const)
		)
	);
	const counted = place(meters);
	const meterError = place(meters);
	const gaugeError = place(rig.instruments.filter(({ kind }) => kind === 'gauge'));
	const habit = place(rig.habits);
	const streams = streamsOf(rig, { places, counted }, next);
	next += streams.length;
	const moved = next++;
	const silence = next++;
	const weekend = rig.unlogged === undefined && rig.instruments.length > 0 ? next++ : undefined;
	const pending = place(inBatches ? streams.flatMap(({ habit }) => habit ?? []) : []);
	return {
		rig,
		pools,
		places,
		countedRow: counted,
		meterErrorRow: meterError,
		gaugeErrorRow: gaugeError,
		gaugeSdL: new Map(
			rig.instruments.flatMap((one) => {
				if (one.kind !== 'gauge') return [];
				const tank = tankById(rig, one.tank);
				return [[one.id, one.sdL ?? PARAMETERS.gaugeSdShare * (tank ? usableOf(tank) : 0)] as const];
			})
		),
		habitRow: habit,
		streams,
		statedRate: rig.unlogged,
		movedRow: moved,
		silenceRow: silence,
		weekendRow: weekend,
		unenteredRow: pending,
		size: next,
		...plansOf(rig, trips, crew),
		crewEntries: crew,
		wakingDay: wakingDaysOf(rig.id, trips, home, entries.at(-1)?.at),
		instruments: new Map(rig.instruments.map((instrument) => [instrument.id, instrument])),
		habits: new Map(rig.habits.map((h) => [h.id, h])),
		network: cached(regimeKey, (regime: KeyedRegime) => networkOf(streams, regime)),
		flow: cached(
			(h, regime) => `${h.id}|${regimeKey(regime)}`,
			(h: Habit, regime: KeyedRegime) => flowOf(rig, h, regime)
		)
	};
}

/** Everything is written down by the rig's own word: what is not, was not. */
export const writesAll = ({ statedRate }: Model): boolean => statedRate?.mean === 0 && statedRate.sd === 0;

/** The same model with another crew entry: who is aboard from then on is who it says. */
export const withCrew = (model: Model, entry: EntryOf<'crew'>): Model => ({
	...model,
	crew: crewWith(model.crew, entry)
});

/** The same model with other plans ahead: who comes aboard, heat, work and hook-ups, as changed trips say. */
export const withTrips = (model: Model, trips: Logbook['trips']): Model => ({
	...model,
	...plansOf(model.rig, trips, model.crewEntries)
});

/** The same model with days ahead said to be unlike others. */
export function withAhead(model: Model, trips: Logbook['trips'], ahead: Ahead): Model {
	const { rig } = model;
	return withTrips({ ...model, rig: { ...rig, ahead: [...(rig.ahead ?? []), ahead] } }, trips);
}

/** The same model as it would be had some days not been said to be unlike others. */
export function withoutAhead(model: Model, trips: Logbook['trips'], id: string): Model {
	const { rig } = model;
	return withTrips({ ...model, rig: { ...rig, ahead: rig.ahead?.filter((one) => one.id !== id) } }, trips);
}

/** The same model with so many persons more from a moment on; never fewer than nobody. */
export function withMorePersons(model: Model, fromMs: number, by: number): Model {
	const { crew } = model;
	const more = (persons: number): number => Math.max(0, persons + by);
	return {
		...model,
		crew: {
			...crew,
			steps: [
				...crew.steps.filter(({ ms }) => ms <= fromMs),
				{ ms: fromMs, persons: more(personsAt(crew, fromMs)) },
				...crew.steps
					.filter(({ ms }) => ms > fromMs)
					.map(({ ms, persons }) => ({ ms, persons: more(persons) }))
			]
		}
	};
}
