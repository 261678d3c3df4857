import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { exactTrip, entry, freshStart, logbookOf } from './helpers/logbooks';

const example = JSON.parse(readFileSync('tests/fixtures/survey-van.logbook.json', 'utf8'));
const at = '2027-05-16T12:00:00+01:00';
const exact = logbookOf([
	...freshStart(),
	entry({ kind: 'use', at: '2027-05-01T08:00:00Z', habit: 'shower', times: 2 })
]);

test('health and schema', async ({ request }) => {
	expect(await (await request.get('/api/health')).json()).toEqual({ ok: true, version: expect.any(String) });
	const schema = await (await request.get('/api/schema')).json();
	expect(schema.required).toContain('entries');
	expect(schema.properties.format.const).toBe('dipsometer-logbook');
});

test('levels of an exact logbook, and of one made elsewhere', async ({ request }) => {
	const answer = await (
		await request.post('/api/levels', { data: { logbook: exact, rig: 'rig', at: '2027-05-01T09:00:00Z' } })
	).json();
	expect(
		answer.tanks.map(({ id, litres }: { id: string; litres: number }) => [id, Math.round(litres)])
	).toEqual([
		['main', 84],
		['grey', 16],
		['black', 0]
	]);
	expect(answer.habits[0]).toMatchObject({ id: 'shower', litresEach: 8, sd: 0, times: 2 });
	const elsewhere = await (
		await request.post('/api/levels', { data: { logbook: example, rig: 'rig-survey-van', at } })
	).json();
	expect(elsewhere).toMatchObject({
		at,
		unlogged: { litresPerPersonDay: expect.any(Number), sd: expect.any(Number) },
		doubts: expect.any(Array)
	});
	for (const { low, litres, high, usableL, basis } of elsewhere.tanks) {
		expect(low).toBeLessThanOrEqual(litres);
		expect(litres).toBeLessThanOrEqual(high);
		expect(high).toBeLessThanOrEqual(usableL);
		expect(basis.length).toBeGreaterThan(0);
	}
});

test('a forecast by hand: Grey has 75 − 16 L of room, and 20 L a day run in', async ({ request }) => {
	const ask = async (more: object) =>
		(
			await request.post('/api/forecast', {
				data: { logbook: exact, rig: 'rig', at: '2027-05-01T09:00:00Z', days: 20, paths: 200, ...more }
			})
		).json();
	const answer = await ask({});
	expect(answer.autonomyDays).toEqual({ p10: 2.95, p50: 2.95, p90: 2.95 });
	expect(answer.binding).toEqual([{ tank: 'grey', probability: 1 }]);
	expect((await ask({ measures: ['short'] })).tanks[1].days.p50).toBeGreaterThan(answer.tanks[1].days.p50);
	expect(await ask({ seed: 4 })).toEqual(await ask({ seed: 4 }));
});

test('a plan along the trip', async ({ request }) => {
	const answer = await (
		await request.post('/api/plan', { data: { logbook: example, trip: 'trip-moor', at } })
	).json();
	expect(answer).toMatchObject({
		feasible: expect.any(Boolean),
		cost: expect.any(Number),
		services: expect.any(Array),
		lastChance: expect.any(Array)
	});
	expect(answer.next.stop).toBe('stop-7');
	expect(answer.next.what).toContain('water');
	expect(Date.parse(answer.next.by)).toBeGreaterThan(Date.parse(at));
});

test('a dip', async ({ request }) => {
	const shape = { form: 'box', lengthMm: 1000, widthMm: 500, heightMm: 300 };
	expect(await (await request.post('/api/dip', { data: { shape, depthMm: 120 } })).json()).toEqual({
		litres: 60
	});
	const outside = await request.post('/api/dip', { data: { shape, depthMm: 120, at: { xMm: 0, yMm: 900 } } });
	expect(outside.status()).toBe(422);
	expect((await outside.json()).errors[0]).toMatchObject({
		path: '$.at',
		expected: 'a rod that stands inside the tank'
	});
	const steep = await request.post('/api/dip', { data: { shape, depthMm: 120, rollDeg: 50 } });
	expect((await steep.json()).errors).toEqual([
		{ path: '$.rollDeg', expected: 'a number of at most 45', got: '50' }
	]);
});

test('what does not validate is named, all of it, and never a stack trace', async ({ request }) => {
	const broken = {
		...exact,
		entries: [{ ...exact.entries[0], at: 'noon' }],
		rigs: [{ ...exact.rigs[0], crew: -1 }]
	};
	const answer = await request.post('/api/levels', { data: { logbook: broken, rig: 'rig', at: 'today' } });
	expect(answer.status()).toBe(422);
	const { errors } = await answer.json();
	expect(errors.map(({ path }: { path: string }) => path)).toEqual([
		'$.at',
		'$.logbook.rigs[0].crew',
		'$.logbook.entries[0].at'
	]);
	const unknown = await request.post('/api/levels', { data: { logbook: exact, rig: 'nobody', at } });
	expect((await unknown.json()).errors).toEqual([
		{ path: '$.rig', expected: 'the id of a rig in the logbook', got: '"nobody"' }
	]);
	const noTrip = await request.post('/api/plan', {
		data: { logbook: logbookOf([], exact.rigs[0], [exactTrip]), trip: 'nowhere', at }
	});
	expect((await noTrip.json()).errors[0].path).toBe('$.trip');
	const noJson = await request.post('/api/forecast', {
		data: '{oops',
		headers: { 'content-type': 'application/json' }
	});
	expect(noJson.status()).toBe(422);
	expect(await noJson.text()).not.toMatch(/\bat .*\.js/);
});

test('the wrong method, type and size', async ({ request }) => {
	expect((await request.get('/api/levels')).status()).toBe(405);
	expect((await request.post('/api/health', { data: {} })).status()).toBe(405);
	expect(
		(await request.post('/api/levels', { data: 'a=1', headers: { 'content-type': 'text/csv' } })).status()
	).toBe(415);
	const large = await request.post('/api/levels', {
		data: `{"pad":"${'x'.repeat(17 * 1024 * 1024)}"}`,
		headers: { 'content-type': 'application/json' }
	});
	expect(large.status()).toBe(413);
});
