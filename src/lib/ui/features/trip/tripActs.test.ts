import { DAY_MS } from '$core/time';
import { describe, expect, it, vi } from 'vitest';
import { isWeatherByDay, type Stop, type Trip } from '$core/logbook';
import { exactTrip } from '../../../../../tests/helpers/logbooks';
import { begun } from '../../../../../tests/helpers/tab';
import { cardOf } from './card/cardFacts';
import { keepPoint } from './tripActs';
import { daysOf, weatherAhead } from './weatherAhead';

// What is said in passing needs a page.
vi.mock('../../kit/toast.svelte', () => ({ toast: () => undefined }));

const iso = (ms: number): string => new Date(ms).toISOString();
/** A trip under way: behind, ahead with a place, ahead without one. */
function tripNow(nowMs: number): Trip {
	const stop = (id: string, day: number, part: Partial<Stop> = {}): Stop => ({
		id,
		name: `Stop ${id}`,
		arrive: iso(nowMs + day * DAY_MS),
		depart: iso(nowMs + (day + 1) * DAY_MS),
		legKm: 4,
		services: [{ kind: 'grey' }],
		...part
	});
	const day = (ms: number): string => iso(ms).slice(0, 10);
	return {
		...exactTrip,
		from: day(nowMs - 3 * DAY_MS),
		to: day(nowMs + 6 * DAY_MS),
		stops: [
			stop('past', -3, { position: [1, 50] }),
			stop('placed', 1, { position: [1, 50] }),
			stop('typed', 2, { position: [1, 50], weather: { maxC: 40, minC: 30 } }),
			stop('nowhere', 3)
		]
	};
}
async function onTrip() {
	const { app } = await begun();
	const trip = tripNow(app.nowMs);
	await app.commands.put([{ kind: 'trip', value: trip }], 'trip');
	const now = (): Trip => app.records.trips.find(({ id }) => id === trip.id) as Trip;
	return { app, trip, now };
}

describe('the weather of the stops ahead', () => {
	it('is asked for where there is a place and nothing was typed, and can be taken back', async () => {
		const { app, trip, now } = await onTrip();
		expect(await weatherAhead(app, trip)).toEqual({ said: 'Simulated weather for 1 stop', changed: true });
		expect(now().stops.map(({ weather, weatherFrom }) => [isWeatherByDay(weather), weatherFrom])).toEqual([
			[false, undefined],
			[true, 'simulated'],
			[false, undefined],
			[false, undefined]
		]);
		expect(await weatherAhead(app, now())).toMatchObject({ changed: false });
		await app.commands.undo();
		expect(now().stops[1]?.weather).toBeUndefined();
	});
	it('is of all the days of a stay, in the zone of the trip', () => {
		const stay = { arrive: '2027-05-01T23:30:00Z', depart: '2027-05-04T08:00:00Z' };
		expect(daysOf(stay, 'Etc/UTC')).toEqual(['2027-05-01', 4]);
		expect(daysOf(stay, 'Europe/Oslo')).toEqual(['2027-05-02', 3]);
		expect(daysOf({ arrive: stay.arrive, depart: '2029-01-01T00:00:00Z' }, 'Etc/UTC')[1]).toBe(60);
	});
});

describe('a stop that becomes a point', () => {
	it('is at it from then on; undone, the point is out of use and the stop as it was', async () => {
		const { app, trip, now } = await onTrip();
		await keepPoint(app, trip, trip.stops[1] as Stop);
		const [point] = app.records.points;
		expect(point).toMatchObject({ name: 'Stop placed', position: [1, 50], services: [{ kind: 'grey' }] });
		expect(now().stops[1]?.point).toBe(point?.id);
		await app.commands.undo();
		expect(app.records.points[0]?.retired).toBe(true);
		expect(now().stops[1]?.point).toBeUndefined();
		await app.commands.redo();
		expect(app.records.points[0]?.retired).toBeUndefined();
		expect(now().stops[1]?.point).toBe(point?.id);
	});
	it('takes the place of a point that was made for it', async () => {
		const { app, trip, now } = await onTrip();
		const made = { id: 'p', name: 'Ford', position: [2, 51] as [number, number], services: [] };
		await app.commands.put([{ kind: 'point', value: made }], 'point');
		await keepPoint(app, trip, trip.stops[3] as Stop, made);
		expect(app.records.points).toHaveLength(1);
		expect(now().stops[3]).toMatchObject({ point: 'p', position: [2, 51] });
	});
});

it('the card says what a meter must show by now, from what has gone through it since it was read', async () => {
	const { app, now } = await onTrip();
	await app.commands.log({ kind: 'mark', tank: 'main', state: 'full', at: iso(app.nowMs - 5000) }, 'full');
	await app.commands.log(
		{ kind: 'reading', instrument: 'pump', value: 100, at: iso(app.nowMs - 4000) },
		'read'
	);
	await app.commands.log({ kind: 'use', habit: 'shower', times: 2, at: iso(app.nowMs - 2000) }, 'use');
	await app.engine.refresh();
	const card = await cardOf(app, now());
	// Two showers of 8 L; 74 L more to the reserve of 10 L.
	expect(card?.meters[0]).toMatch(
		/^Pump meter read 100\.0 .*about 116 now; Main is at its reserve at about 190 /
	);
	await app.commands.log({ kind: 'fill', tank: 'main', litres: 5, at: iso(app.nowMs - 1000) }, 'fill');
	await app.engine.refresh();
	expect((await cardOf(app, now()))?.meters[0]).not.toContain('reserve');
});
