import type { Page } from '@playwright/test';
import { readFileSync, writeFileSync } from 'node:fs';
import type { Stop } from '../src/core/logbook/index.js';
import { exactRig, exactTrip, freshStart, logbookOf } from './helpers/logbooks';
import { controlled, follow, openDemo, openLogbook, stored } from './helpers/pages';
import { freePort, startServer } from './helpers/server';
import { expect, test } from './helpers/test.js';

/** Opens the points and waits until the map has its signs. */
async function openPoints(page: Page, base = ''): Promise<void> {
	await follow(page, `${base}/trip/points`);
	await expect(page.locator('.leaflet-container .sign').first()).toBeVisible();
}
const readIn = (page: Page, name: string, content: string | Buffer): Promise<void> =>
	page
		.getByLabel(/Choose a logbook file/)
		.setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(content) });
const pointsKept = async (page: Page): Promise<readonly { name: string; retired?: true }[]> =>
	Object.entries(await stored(page))
		.filter(([key]) => key.startsWith('point'))
		.map(([, value]) => value as { name: string });

const WAYPOINTS = `<?xml version="1.0"?>
<gpx version="1.1" creator="hand" xmlns="http://www.topografix.com/GPX/1/1">
<wpt lat="57.01" lon="-21.2"><name>Ewe Tap</name><extensions><amenity>drinking_water</amenity></extensions></wpt>
<wpt lat="57.0201" lon="-21.3101"><name>low sarn</name><type>amenity=sanitary_dump_station</type></wpt>
<wpt lat="97.01" lon="-21.2"><name>Nowhere</name></wpt>
</gpx>`;

test('points from a file are seen line by line before any is kept, and can be taken back', async ({
	page
}) => {
	const asked: string[] = [];
	page.on('request', (request) => asked.push(request.url()));
	await openDemo(page, { at: '/data#read' });
	await readIn(page, 'moor.gpx', WAYPOINTS);
	await expect(page.getByLabel('What doesn’t fit')).toContainText('line 5');
	const rows = page.getByLabel('Points found').getByRole('listitem');
	await expect(rows).toHaveCount(2);
	await expect(rows.nth(1)).toContainText('may be Low Sarn');
	expect((await pointsKept(page)).map(({ name }) => name)).not.toContain('Ewe Tap');
	await rows.nth(1).getByRole('checkbox').check();
	await expect(rows.nth(1).getByRole('combobox')).toHaveValue('join');
	await page.getByRole('button', { name: 'Import 2 of 2' }).click();
	await expect(page.getByText('moor.gpx: 2 points imported', { exact: true })).toBeVisible();
	await follow(page, '/trip/points');
	await expect(page.getByRole('button', { name: /Ewe Tap/ }).first()).toBeVisible();
	await expect(page.getByText('7 points saved.')).toBeVisible();
	expect(asked.every((url) => new URL(url).hostname === '127.0.0.1' || url.startsWith('blob:'))).toBe(true);
});

test('undo takes back points that were kept', async ({ page }) => {
	await openDemo(page, { at: '/data#read' });
	await readIn(page, 'moor.gpx', WAYPOINTS);
	await page.getByRole('button', { name: 'Import 1 of 2' }).click();
	await page.getByRole('button', { name: 'Undo', exact: true }).click();
	await expect(page.getByText(/Undone:/)).toBeVisible();
	await follow(page, '/trip/points');
	await expect(page.getByText('6 points saved.')).toBeVisible();
	expect((await pointsKept(page)).find(({ name }) => name === 'Ewe Tap')?.retired).toBe(true);
});

/** Along a parallel, eastwards: a hundredth of a degree at 57° N is 0.606 km. */
const track = (count: number, step = 0.01): string =>
	`<gpx version="1.1"><trk><trkseg>${Array.from({ length: count }, (_, i) => `<trkpt lat="57" lon="${(-21.6 + i * step).toFixed(5)}"><ele>10</ele></trkpt>`).join('\n')}</trkseg></trk></gpx>`;

const stopAt = (id: string, day: number, lon?: number): Stop => ({
	id,
	name: `Stop ${id}`,
	arrive: `2026-06-${day}T10:00:00Z`,
	depart: `2026-06-${day + 1}T09:00:00Z`,
	legKm: 5,
	services: id === 'b' ? [{ kind: 'water', potable: true }, { kind: 'grey' }] : [],
	...(lon === undefined ? {} : { position: [lon, 57] as [number, number] })
});
const alongTrip = {
	...exactTrip,
	from: '2026-06-15',
	to: '2026-06-25',
	stops: [stopAt('a', 16, -21.6), stopAt('b', 18, -21.5), stopAt('c', 20)]
};
const alongBook = logbookOf(freshStart('2026-06-16T06:00:00Z'), exactRig, [alongTrip]);

test('a track gives the lengths of the legs, and a place to a stop that has none', async ({ page }) => {
	await openLogbook(page, alongBook, { at: '/data#read' });
	await readIn(page, 'way.gpx', track(41));
	const legs = page.getByRole('table', { name: /The legs of Paper moor/ });
	// Ten steps from a to b, 6.06 km; c is put where its leg of 5 km ends.
	await expect(legs.getByRole('row', { name: /Stop b/ })).toContainText('6.1');
	await expect(legs.getByRole('row', { name: /Stop c/ })).toContainText('added to the route');
	await page.getByRole('button', { name: 'Use it for Paper moor' }).click();
	await expect(page.getByText(/legs from the imported route/).first()).toBeVisible();
	const trip = Object.values(await stored(page)).find(
		(value) => (value as { id?: string }).id === 'trip'
	) as typeof alongTrip & {
		track: [number, number][];
	};
	expect(trip.stops.map(({ legKm }) => legKm)).toEqual([5, 6.1, 5]);
	expect(trip.stops[2]?.position?.[0]).toBeCloseTo(-21.5 + 5 / 60.6, 2);
	expect(trip.track.length).toBeLessThan(41);
	await follow(page, '/trip');
	await expect(page.getByRole('list', { name: 'Stops ahead' })).toContainText('6.1 km');
});

test('a track of 200 000 points is read beside the page, tells how far it is, and can be given up', async ({
	page
}, info) => {
	await openLogbook(page, alongBook, { at: '/data#read' });
	const long = info.outputPath('long.gpx');
	writeFileSync(long, track(200_000, 1e-5));
	const file = page.getByLabel(/Choose a logbook file/);
	await file.setInputFiles(long);
	const progress = page.getByRole('progressbar');
	await expect.poll(() => progress.evaluate((bar: HTMLProgressElement) => bar.value)).toBeGreaterThan(0.05);
	await page.getByRole('button', { name: 'Stop', exact: true }).click();
	await expect(progress).toBeHidden();
	await file.setInputFiles(long);
	await expect(page.getByText(/via 200000 places/)).toBeVisible({ timeout: 60_000 });
	await page.getByRole('button', { name: 'Use it for Paper moor' }).click();
	await expect(page.getByText(/legs from the imported route/).first()).toBeVisible();
});

test('what is wrong with a file is said by its line, and what came through stands', async ({ page }) => {
	await openDemo(page, { at: '/data#read' });
	const wide = (text: string): Buffer =>
		Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from(text, 'utf16le')]);
	const CASES: readonly (readonly [name: string, content: string | Buffer, says: RegExp])[] = [
		[
			'cut.gpx',
			WAYPOINTS.slice(0, WAYPOINTS.indexOf('low sarn')),
			/line \d+: expected XML that is well formed/
		],
		['empty.gpx', '<gpx version="1.1"></gpx>', /expected waypoints, a route or a track/],
		[
			'lure.gpx',
			`<!DOCTYPE x [<!ENTITY y SYSTEM "file:///etc/hostname">]>\n${WAYPOINTS.replace('<?xml version="1.0"?>', '')}`,
			/was ignored/
		],
		['bare.csv', '1;2;3\n4;5;6\n', /a header row/],
		[
			'latin.csv',
			Buffer.from('name;lon;lat;water\nCaf\u00e9 P\u00f6rt;-21,3;57,0;ja\n', 'latin1'),
			/read as Latin-1.*|line 2, water/s
		],
		['wide.csv', wide('name,lon,lat,water\nWide tap,-21.3,57.3,yes\n'), /read as UTF-16: 1 points/],
		[
			'floating.ics',
			'BEGIN:VCALENDAR\nBEGIN:VEVENT\nSUMMARY:Camp\nDTSTART;TZID=Moon/Sea:20260618T100000\nEND:VEVENT\nEND:VCALENDAR',
			/line 2, DTSTART/
		],
		['odd.txt', 'nothing of the kind', /a header row/]
	];
	for (const [name, content, says] of CASES) {
		await readIn(page, name, content);
		await expect(page.locator('#read')).toContainText(says);
		await expect(page.locator('#read')).toContainText(name);
	}
	expect((await pointsKept(page)).length).toBe(6);
});

test.describe('without a network', () => {
	test.use({ serviceWorkers: 'allow' });
	test('the map is there with coasts, signs and stops, and all of it by keys', async ({ page }) => {
		const server = await startServer(await freePort());
		await page.emulateMedia({ reducedMotion: 'reduce' });
		await openDemo(page, { base: server.base });
		await controlled(page);
		await server.kill();
		await openPoints(page, server.base);
		await expect(page.locator('.leaflet-container .region-land').first()).toBeAttached();
		// The atlas is painted on a canvas: the world is land and sea once one is far enough away.
		await page.getByRole('button', { name: 'Zoom out' }).focus();
		for (let i = 0; i < 9; i++) await page.keyboard.press('Enter');
		const shades = (): Promise<number> =>
			page
				.locator('.leaflet-container canvas')
				.first()
				.evaluate((canvas: HTMLCanvasElement) => {
					const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
					return new Set(Array.from({ length: data.length / 400 }, (_, i) => data[400 * i + 3])).size;
				});
		await expect.poll(shades).toBeGreaterThan(1);
		await page.reload();
		const sign = page.getByRole('button', { name: /^Low Sarn: drinking water/ });
		await sign.focus();
		await page.keyboard.press('Enter');
		await expect(page).toHaveURL(/point=demo-sarn/);
		await expect(page.getByRole('button', { name: 'Change' }).first()).toBeVisible();
		// Drawn anew, as it is chosen and when the plan comes, it is still what the keyboard stands on.
		await expect(sign).toBeFocused();
		const place = async (): Promise<number> => (await sign.boundingBox())?.x ?? Number.NaN;
		let before = Number.NaN;
		await expect.poll(async () => (before = await place())).toBeGreaterThan(0);
		await page.locator('.leaflet-container').focus();
		await page.keyboard.press('ArrowRight');
		await expect.poll(place).toBeLessThan(before);
		// A directory answers without the server too.
		await page.getByRole('button', { name: 'Look in a directory' }).click();
		await expect(page.getByLabel('Points found')).toContainText('Sarn Chapel tap');
	});
});

test('points are found by words, by what there is, near the way, near here; the device tells nobody where it is', async ({
	page,
	context
}) => {
	await context.grantPermissions(['geolocation']);
	await context.setGeolocation({ longitude: -14.381, latitude: 58.317 });
	await openDemo(page);
	await openPoints(page);
	const names = (): Promise<string[]> => page.locator('.list li strong').allTextContents();
	await expect.poll(names).toEqual(['Tamsel Ford', 'Low Sarn', 'Hollin Yard']);
	await page.getByLabel('Near', { exact: true }).selectOption('anywhere');
	await page.getByLabel('Look for').fill('rain but');
	await expect.poll(names).toEqual(['Trine Skerry']);
	await page.getByLabel('Look for').fill('');
	await page.getByRole('checkbox', { name: 'For drinking' }).check();
	await expect.poll(names).not.toContain('Trine Skerry');
	const asked: string[] = [];
	page.on('request', (request) => asked.push(request.url() + (request.postData() ?? '')));
	await page.getByLabel('Near', { exact: true }).selectOption('here');
	await expect.poll(async () => (await names())[0]).toBe('Ossel Harbour');
	expect(asked.filter((url) => url.includes('14.38') || url.includes('58.31'))).toEqual([]);
});

test('a point is added by typed coordinates or by a pin, and one that may be there already is pointed out', async ({
	page
}) => {
	await openDemo(page);
	await openPoints(page);
	await page.getByRole('button', { name: 'Add a point', exact: true }).click();
	const form = page.getByRole('dialog');
	await form.getByLabel('Name', { exact: true }).fill('North tap');
	await form.getByLabel(/Where: latitude/).fill('57,02 Nord');
	await form.getByRole('button', { name: 'Save' }).click();
	await expect(form.getByText('a latitude of -90 … 90')).toBeVisible();
	await form.getByLabel(/Where: latitude/).fill(`57° 1.2' N 21° 18.6' W`);
	await expect(form.getByText(/Low Sarn is 0.m from here/)).toBeVisible();
	await form.getByLabel(/Where: latitude/).fill('57.11, -21.4');
	await form.getByLabel('Tap', { exact: true }).check();
	await form.getByRole('button', { name: 'Save' }).click();
	await expect(page.getByText('North tap added', { exact: true })).toBeVisible();
	await expect(page).toHaveURL(/point=/);
	await page.getByRole('button', { name: 'Pin in the middle' }).click();
	await page.getByRole('button', { name: 'Add a point there' }).click();
	await expect(page.getByRole('dialog').getByLabel(/Where: latitude/)).toHaveValue(
		/^5\d\.\d{5}, -2\d\.\d{5}$/
	);
});

test('a stop takes over what a point has, the weather is simulated and may be typed over, and after a visit one is asked', async ({
	page
}) => {
	await openDemo(page, { at: '/trip' });
	await page.getByRole('button', { name: 'Add stop' }).click();
	const form = page.getByRole('dialog');
	await form.getByLabel('At a known point').selectOption('Hollin Yard');
	await expect(form.getByLabel('Name', { exact: true })).toHaveValue('Hollin Yard');
	await expect(form.getByLabel('Grey drain', { exact: true })).toBeChecked();
	await form.getByLabel('Sewer', { exact: true }).check();
	await form.getByRole('button', { name: 'Refresh from Hollin Yard' }).click();
	await expect(form.getByLabel('Sewer', { exact: true })).not.toBeChecked();
	await form.getByRole('button', { name: 'Simulated weather' }).click();
	await expect(form.getByText(/day by day \(simulated, not a forecast\)/)).toBeVisible();
	await form.getByRole('button', { name: 'Enter my own figures' }).click();
	await form.getByLabel(/Warmest by day/).fill('3');
	await form.getByLabel(/Coldest at night/).fill('-4');
	await expect(form.getByText(/Frost at night/)).toBeVisible();
	await form.getByRole('button', { name: 'Save' }).click();
	await expect(page.getByRole('list', { name: 'Stops ahead' })).toContainText('frost (as you entered it)');
	await page.getByRole('button', { name: 'Low Sarn is still right' }).click();
	await expect(page.getByText('Low Sarn: still right', { exact: true })).toBeVisible();
	await follow(page, '/trip/points?point=demo-sarn');
	await expect(page.getByText(/Seen on 2026-06-16/)).toBeVisible();
});

test('the card has two sides on paper: what to do, last chances, meters, cautions, lines', async ({
	page
}) => {
	await openDemo(page, { at: '/trip/card' });
	await expect(page.getByRole('region', { name: /Side one/ })).toContainText('Last chance: ');
	const two = page.getByRole('region', { name: /Side two/ });
	await expect(two).toContainText(/Pump meter read \d+/);
	await expect(two).toContainText('Use designated places only');
	await page.emulateMedia({ media: 'print' });
	for (const name of ['navigation', 'banner']) await expect(page.getByRole(name as 'banner')).toBeHidden();
	await expect(page.getByLabel('What happened?')).toBeHidden();
	const pdf = await page.pdf({ preferCSSPageSize: true });
	expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)).toHaveLength(2);
});

test('files for other programs: a table, a calendar with alarms, a route', async ({ page }) => {
	await openDemo(page, { at: '/data' });
	const saved = async (button: string): Promise<readonly [name: string, text: string]> => {
		const [download] = await Promise.all([
			page.waitForEvent('download'),
			page.getByRole('button', { name: button, exact: true }).click()
		]);
		return [download.suggestedFilename(), readFileSync(await download.path(), 'utf8')];
	};
	const [csvName, csv] = await saved('Entries');
	expect(csvName).toBe('wren-entries.csv');
	expect(csv.split('\r\n')[0]).toMatch(/^id,rig,at,kind/);
	await page.getByLabel('decimal comma, semicolons between').check();
	expect((await saved('Stops'))[1]).toMatch(/;-21,62;56,91/);
	const [icsName, ics] = await saved('Plan as a calendar, with alarms at last chances');
	expect(icsName).toBe('grethe-moor-bat-survey.ics');
	expect(ics).toContain('BEGIN:VALARM');
	expect((await saved('Route as GPX'))[1]).toContain('<rtept lat="57.08" lon="-21.47">');
	// What was written is read back: nothing in it is new.
	await readIn(page, csvName, csv);
	await expect(page.getByRole('button', { name: 'Nothing new in it' })).toBeVisible();
	await readIn(page, icsName, ics);
	await expect(page.getByLabel('Stops found').getByRole('listitem').first()).toContainText(
		'the same as here'
	);
	await page.getByRole('link', { name: 'the page about the formats' }).click();
	await page.getByText('Entry: fill').click();
	await expect(page.getByText('"full"', { exact: true })).toBeVisible();
});

const FAR: Readonly<Record<string, readonly [[number, number], [number, number]]>> = {
	'eastwards over the antimeridian': [
		[179.6, -16],
		[-179.7, -16.2]
	],
	'westwards over it': [
		[-179.8, 66],
		[179.5, 65.8]
	],
	'at 80° N': [
		[15, 80],
		[17, 80.2]
	]
};
for (const [where, [first, second]] of Object.entries(FAR))
	test(`${where} what is near lies side by side on the map`, async ({ page }) => {
		const far = (id: string, day: number, position: [number, number]): Stop => ({
			...stopAt(id, day),
			position
		});
		const trip = { ...alongTrip, stops: [far('a', 16, first), far('b', 18, second)] };
		await openLogbook(page, { ...alongBook, trips: [trip] }, { at: '/trip/points' });
		const boxOf = (name: string) => page.getByRole('button', { name: new RegExp(`^${name},`) }).boundingBox();
		await expect(async () => {
			const [one, other] = [await boxOf('Stop 1'), await boxOf('Stop 2')];
			const chart = await page.locator('.leaflet-container').boundingBox();
			const apart = Math.abs((one?.x ?? 0) - (other?.x ?? 0));
			expect(apart).toBeGreaterThan((chart?.width ?? 0) / 4);
			expect(apart).toBeLessThan(chart?.width ?? 0);
		}).toPass({ timeout: 45_000 });
	});

test('tiles of one’s own server are asked for only when they are set, and the policy allows that server alone', async ({
	page
}) => {
	const tiles: string[] = [];
	await page.route('http://tiles.invalid/**', (route) => {
		tiles.push(route.request().url());
		return route.fulfill({ status: 404 });
	});
	await openDemo(page);
	const policy = async (): Promise<string> =>
		(await page.request.get('/trip/points')).headers()['content-security-policy'] ?? '';
	expect(await policy()).toMatch(/img-src 'self' data:$/);
	await openPoints(page);
	expect(tiles).toEqual([]);
	await follow(page, '/data');
	const field = page.getByLabel('Tiles for the map, from your own server');
	await field.fill('javascript:{z}{x}{y}');
	await expect(page.getByText('an address that begins with https://')).toBeVisible();
	await field.fill('http://tiles.invalid/{z}/{x}/{y}.png');
	await Promise.all([
		page.waitForEvent('load'),
		page.getByRole('button', { name: 'Use these tiles' }).click()
	]);
	await expect.poll(policy).toMatch(/img-src 'self' data: http:\/\/tiles\.invalid$/);
	await openPoints(page);
	await expect.poll(() => tiles.length).toBeGreaterThan(0);
	await follow(page, '/data');
	await field.fill('');
	await Promise.all([
		page.waitForEvent('load'),
		page.getByRole('button', { name: 'Switch tiles off' }).click()
	]);
	await expect.poll(policy).toMatch(/img-src 'self' data:$/);
});
