import { inOrder, instantMs, type Entry, type Meter, type Trip } from '$core/logbook';
import { tripCard, type MeterRead, type TripCard } from '$core/words';
import type { App } from '$lib/state';

/** The last reading of a meter that counts, and whether water came into its tank since. */
function lastRead(
	meter: Meter,
	entries: readonly Entry[]
): { readonly shows: number; readonly atMs: number; readonly quiet: boolean } | undefined {
	const own = entries.filter((entry) => !entry.void);
	const read = own.findLast((entry) => entry.kind === 'reading' && entry.instrument === meter.id);
	if (read?.kind !== 'reading' || typeof read.value !== 'number') return undefined;
	const quiet = !own.some(
		(entry) =>
			instantMs(entry.at) > instantMs(read.at) &&
			((entry.kind === 'fill' && entry.tank === meter.tank) ||
				(entry.kind === 'transfer' && entry.toTank === meter.tank))
	);
	return { shows: read.value, atMs: instantMs(read.at), quiet };
}

/** The card of a trip as things stand now. */
export async function cardOf(app: App, trip: Trip): Promise<TripCard | undefined> {
	const rig = app.records.rigs.find(({ id }) => id === trip.rig);
	const now = app.engine.assessment;
	if (!rig || !now) return undefined;
	const levels = new Map(now.levels.tanks.map(({ id, litres }) => [id, litres]));
	const entries = inOrder(app.rigEntries);
	const isOver = instantMs(trip.stops.at(-1)?.depart ?? trip.from) <= app.nowMs;
	const plan =
		trip.stops.length > 0 && !isOver ? (await app.engine.ask('trip/planOfTrip', trip.id))?.plan : undefined;
	const read = rig.instruments.map(async (meter): Promise<readonly MeterRead[]> => {
		const last = meter.kind === 'meter' && !meter.retired ? lastRead(meter, entries) : undefined;
		if (meter.kind !== 'meter' || !last) return [];
		const then =
			last.quiet && meter.place === 'pump'
				? await app.engine.ask('tank/levelAt', meter.tank, last.atMs)
				: undefined;
		const level = levels.get(meter.tank);
		const passedL = then && level !== undefined ? Math.max(0, then.level.litres - level) : undefined;
		return [{ meter, shows: last.shows, atMs: last.atMs, passedL }];
	});
	const meters = (await Promise.all(read)).flat();
	const drinks = new Map(now.tanks.flatMap(({ id, drink }) => (drink ? [[id, drink] as const] : [])));
	return tripCard({
		rig,
		trip,
		plan,
		levels,
		drinks,
		drinkingL: new Map(now.tanks.flatMap((one) => (one.drinkingL ? [[one.id, one.drinkingL] as const] : []))),
		meters,
		nowMs: app.nowMs,
		units: app.prefs.current.units
	});
}
