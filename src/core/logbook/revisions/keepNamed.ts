import { canShow } from '../validation/references.js';
import { instantMs } from '../order.js';
import { itemsOf, PARTS, type Item, type LogbookPart } from '../parts.js';
import type { Entry, Instrument, Rig, Stop, Trip } from '../types.js';

type Name = readonly [part: LogbookPart, id: string];

/** The parts of its rig that an entry names. A place of a dump may be no container; then none of that id is found. */
export function namedBy(entry: Entry): readonly Name[] {
	switch (entry.kind) {
		case 'fill':
			return [['tanks', entry.tank], ...(entry.from === undefined ? [] : [['sources', entry.from] as const])];
		case 'mark':
			return [['tanks', entry.tank]];
		case 'dump':
			return [
				['tanks', entry.tank],
				...(entry.where === undefined ? [] : [['containers', entry.where] as const])
			];
		case 'transfer':
			return [
				['tanks', entry.fromTank],
				['tanks', entry.toTank]
			];
		case 'use':
			return [['habits', entry.habit]];
		case 'reading':
			return [['instruments', entry.instrument]];
		case 'measure':
			return [['measures', entry.measure]];
		case 'care':
			return [['care', entry.task]];
		case 'crew':
		case 'gap':
		case 'hookup':
		case 'stop':
		case 'note':
			return [];
	}
}

/** The parts that a part of a rig names itself; ends such as `ground` are found to be no tank. */
function namesWithin(rig: Rig, [part, id]: Name): readonly Name[] {
	switch (part) {
		case 'tanks':
			return (rig.tanks.find((one) => one.id === id)?.trials ?? []).flatMap(
				({ instrument }): readonly Name[] => (instrument === undefined ? [] : [['instruments', instrument]])
			);
		case 'outlets': {
			const outlet = rig.outlets.find((one) => one.id === id);
			if (!outlet) return [];
			const meters = (outlet.meters ?? []).map((meter): Name => ['instruments', meter]);
			return [['tanks', outlet.from], ['tanks', outlet.to], ...meters];
		}
		case 'instruments':
			return rig.instruments.flatMap((one): readonly Name[] => (one.id === id ? [['tanks', one.tank]] : []));
		case 'habits':
			return rig.habits.flatMap((one): readonly Name[] => (one.id === id ? [['outlets', one.outlet]] : []));
		case 'measures': {
			const measure = rig.measures.find((one) => one.id === id);
			if (!measure) return [];
			const { effect } = measure;
			const elsewhere: readonly Name[] =
				effect.kind === 'reroute'
					? [
							['tanks', effect.to],
							...(effect.replaces === undefined ? [] : [['habits', effect.replaces] as const])
						]
					: [];
			return [['habits', measure.habit], ...elsewhere];
		}
		case 'sources':
			return (rig.sources ?? []).flatMap((one): readonly Name[] =>
				one.id === id ? [['tanks', one.into]] : []
			);
		case 'care': {
			const { through, tank } = rig.care.find((one) => one.id === id) ?? {};
			return [
				...(through === undefined
					? []
					: ([
							['instruments', through],
							['tanks', through],
							['sources', through]
						] as const)),
				...(tank === undefined ? [] : [['tanks', tank] as const])
			];
		}
		case 'containers':
			return [];
	}
}

/** A part taken out of use: nothing flows on through it, and it stands alone. */
function retire<T extends Item>(item: T, rig: Rig): T {
	const {
		feeds: _feeds,
		relieves: _relieves,
		joined: _joined,
		...alone
	} = item as T & { feeds?: unknown; relieves?: unknown; joined?: unknown };
	const meters = (alone as { meters?: readonly string[] }).meters?.filter((id) =>
		rig.instruments.some((one) => one.id === id && one.kind === 'meter')
	);
	return { ...alone, ...(meters ? { meters } : {}), retired: true } as unknown as T;
}

const byId = (a: Item, b: Item): number => (a.id < b.id ? -1 : 1);

/**
 * A rig with everything kept that entries name: what an earlier version had and this one has no more comes back
 * retired, with all that it names in turn.
 *
 * @param earlier other versions of the same rig
 * @param entries those of this rig, void ones too: they stay in the logbook
 */
export function keepNamed(rig: Rig, earlier: readonly Rig[], entries: readonly Entry[]): Rig {
	const has = new Map(PARTS.map((part) => [part, new Set(itemsOf(rig, part).map(({ id }) => id))]));
	const added = new Map<LogbookPart, Item[]>();
	const open = entries.flatMap(namedBy);
	for (let name = open.pop(); name; name = open.pop()) {
		const [part, id] = name;
		if (has.get(part)?.has(id)) continue;
		const from = earlier.find((one) => itemsOf(one, part).some((item) => item.id === id));
		const item = (from && itemsOf(from, part))?.find((one) => one.id === id);
		if (!from || !item) continue;
		has.get(part)?.add(id);
		added.set(part, [...(added.get(part) ?? []), item]);
		open.push(...namesWithin(from, name));
	}
	if (added.size === 0) return rig;
	const whole = PARTS.reduce<Rig>(
		(next, part) =>
			added.has(part)
				? { ...next, [part]: [...itemsOf(next, part), ...(added.get(part) ?? []).sort(byId)] }
				: next,
		rig
	);
	const back = new Set([...added.values()].flat());
	return PARTS.reduce<Rig>(
		(next, part) => ({
			...next,
			...(next[part]
				? { [part]: itemsOf(next, part).map((item) => (back.has(item) ? retire(item, whole) : item)) }
				: {})
		}),
		whole
	);
}

/** The id under which an earlier form of an instrument stays: beside the one that took its place. */
function otherIdFor(rig: Rig, was: Instrument, value: number | string): string {
	const form = was.kind === 'gauge' && typeof value === 'string' ? 'lights' : was.kind;
	for (let n = 1; ; n++) {
		const id = `${was.id}~${form}${n === 1 ? '' : n}`;
		const there = rig.instruments.find((one) => one.id === id);
		if (!there || canShow(there, value)) return id;
	}
}

/**
 * Readings that an instrument in its new form could not have shown stay with its old form, which is kept beside it,
 * retired, under an id of its own.
 */
export function keepForms(
	rig: Rig,
	earlier: readonly Rig[],
	entries: readonly Entry[]
): { readonly rig: Rig; readonly entries: readonly Entry[] } {
	let next = rig;
	const moved = entries.map((entry): Entry => {
		if (entry.kind !== 'reading') return entry;
		const now = next.instruments.find(({ id }) => id === entry.instrument);
		if (!now || canShow(now, entry.value)) return entry;
		const forms = [...earlier, next].flatMap(({ instruments }) =>
			instruments.filter(({ id }) => id === entry.instrument || id.startsWith(`${entry.instrument}~`))
		);
		const was = forms.find((one) => canShow(one, entry.value));
		if (!was) return entry;
		const id = otherIdFor(next, { ...was, id: entry.instrument }, entry.value);
		if (!next.instruments.some((one) => one.id === id))
			next = { ...next, instruments: [...next.instruments, { ...was, id, retired: true }] };
		return { ...entry, instrument: id };
	});
	return { rig: next, entries: moved };
}

const inOrderOfArrival = (stops: readonly Stop[], more: readonly Stop[]): readonly Stop[] =>
	more.reduce<readonly Stop[]>((list, stop) => {
		const at = list.findLastIndex(({ arrive }) => instantMs(arrive) <= instantMs(stop.arrive)) + 1;
		return [...list.slice(0, at), stop, ...list.slice(at)];
	}, stops);

/** A trip with the stops kept, retired, that entries name and it has no more. */
export function keepStops(trip: Trip, earlier: readonly Trip[], named: ReadonlySet<string>): Trip {
	const has = new Set(trip.stops.map(({ id }) => id));
	const gone = earlier
		.flatMap(({ stops }) => stops)
		.filter(({ id }) => named.has(id) && !has.has(id) && has.add(id))
		.map((stop): Stop => ({ ...stop, retired: true }))
		.sort((a, b) => instantMs(a.arrive) - instantMs(b.arrive) || byId(a, b));
	return gone.length === 0 ? trip : { ...trip, stops: inOrderOfArrival(trip.stops, gone) as Stop[] };
}

/** The stops that entries name. */
export const stopsNamed = (entries: readonly Entry[]): ReadonlySet<string> =>
	new Set(entries.flatMap((entry) => (entry.kind === 'stop' ? [entry.stop] : [])));
