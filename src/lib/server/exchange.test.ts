import { describe, expect, it } from 'vitest';
import { POST as importing } from '../../routes/api/import/+server';
import { POST as exporting } from '../../routes/api/export/+server';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from '../../../tests/helpers/logbooks';

const sent = async (handler: typeof importing | typeof exporting, body: unknown): Promise<Response> =>
	(handler as unknown as (event: { request: Request }) => Promise<Response>)({
		request: new Request('http://here/', {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify(body)
		})
	});

// At breakfast of the first day all is fresh; the only drain comes on the third, and 34 L of grey a day fill 75 L on it.
const stop = (id: string, day: number, services: (typeof exactTrip.stops)[number]['services'] = []) => ({
	id,
	name: `Stop ${id}`,
	arrive: `2027-05-0${day}T10:00:00Z`,
	depart: `2027-05-0${day}T12:00:00Z`,
	position: [day, 50] as [number, number],
	legKm: 10,
	services
});
const trip = {
	...exactTrip,
	to: '2027-05-05',
	stops: [stop('a', 2, [{ kind: 'grey' }, { kind: 'water', potable: true }]), stop('b', 5)]
};
const book = { ...logbookOf(freshStart(), exactRig, [trip]), exportedAt: '2027-05-01T08:00:00Z' };

describe('/api/export', () => {
	it('gives the file itself with its media type', async () => {
		for (const [format, type] of [
			['csv', 'text/csv'],
			['gpx', 'application/gpx+xml'],
			['geojson', 'application/geo+json'],
			['ics', 'text/calendar'],
			['json', 'application/json']
		]) {
			const answer = await sent(exporting, { logbook: book, format, trip: 'trip' });
			expect(answer.status).toBe(200);
			expect(answer.headers.get('content-type')).toContain(type);
			expect((await answer.text()).length).toBeGreaterThan(100);
		}
	});
	it('puts what is planned and an alarm into the calendar, as of when the logbook was written', async () => {
		const text = await (await sent(exporting, { logbook: book, format: 'ics' })).text();
		const unfolded = text.replaceAll(/\r\n[ \t]/g, '');
		expect(unfolded).toMatch(/DESCRIPTION:(Take|Empty)/);
		expect(unfolded).toContain('Stop a: last chance for Grey');
	});
	it('says what it does not know', async () => {
		for (const [part, path] of [
			[{ format: 'pdf' }, '$.format'],
			[{ format: 'csv', rig: 'x' }, '$.rig'],
			[{ format: 'gpx', trip: 'x' }, '$.trip'],
			[{ format: 'ics', logbook: { ...book, trips: [] } }, '$.trip'],
			[{ format: 'csv', logbook: {} }, '$.logbook.format']
		] as const) {
			const answer = await sent(exporting, { logbook: book, ...part });
			expect(answer.status).toBe(422);
			expect(((await answer.json()) as { errors: { path: string }[] }).errors[0]?.path).toBe(path);
		}
	});
});

describe('/api/import', () => {
	it('gives back what /api/export wrote', async () => {
		const note = entry({ kind: 'note', at: '2027-05-02T08:00:00Z', text: '=1+1' });
		const logbook = { ...book, entries: [...book.entries, note] };
		const csv = await (await sent(exporting, { logbook, format: 'csv' })).text();
		const back = (await (
			await sent(importing, { format: 'csv', text: csv, logbook: book })
		).json()) as object;
		expect(back).toEqual({ points: [], stops: [], entries: logbook.entries, problems: [] });
	});
	it('needs no logbook, and says what it does not know', async () => {
		const text = 'at,kind,tank,litres\n2027-05-01 08:00,fill,any,3\n';
		const answer = await sent(importing, { format: 'csv', text, rig: 'r', timeZone: 'Europe/Oslo' });
		expect(await answer.json()).toMatchObject({
			entries: [{ rig: 'r', tank: 'any', litres: 3, at: '2027-05-01T08:00:00+02:00' }],
			problems: []
		});
		for (const body of [
			{},
			{ format: 'xls', text: '' },
			{ format: 'csv', text: 3 },
			{ format: 'csv', text: '', timeZone: 'Moon/Sea' },
			{ format: 'csv', text: '', logbook: {} },
			{ format: 'csv', text: '', rig: 'x', logbook: book }
		])
			expect((await sent(importing, body)).status).toBe(422);
	});
});
