import { deflateRawSync } from 'node:zlib';
import type { Browser, BrowserContext } from '@playwright/test';
import type { Logbook } from '../src/core/logbook/index.js';
import { expect, NOW_MS, test, type Page } from './helpers/test.js';
import { violationsOf } from './helpers/axe';
import { browserBefore, picturesShown } from './helpers/camera';
import { entry, exactRig, freshStart, logbookOf } from './helpers/logbooks';
import { enter, follow, openDemo, openLogbook, stored } from './helpers/pages';

const DAY_MS = 86_400_000;
const base = ({ baseURL }: { baseURL?: string | undefined }): string => baseURL ?? '';

/** Another phone, of its own: nothing is in it. */
async function otherPhone(
	make: (options: object) => Promise<BrowserContext>,
	baseURL: string
): Promise<Page> {
	const context = await make({
		baseURL,
		serviceWorkers: 'block',
		permissions: ['clipboard-read', 'clipboard-write']
	});
	await context.clock.install({ time: NOW_MS });
	return context.newPage();
}

/** Shares with somebody, and gives back the link that was sent. */
async function linkTo(page: Page, name: string, by: string): Promise<string> {
	await page.goto(`/share?with=${name}`);
	const own = page.getByLabel(`Your name, for ${name}`);
	const send = page.getByRole('button', { name: 'Send a link' });
	await expect(own.or(send)).toBeVisible();
	if (await own.isVisible()) {
		await own.fill(by);
		await page.getByRole('button', { name: 'Next' }).click();
	}
	await send.click();
	await expect(page.getByText(`The link is copied: send it to ${name}.`)).toBeVisible();
	return page.evaluate(() => navigator.clipboard.readText());
}
const importIt = (page: Page): Promise<void> =>
	page.getByRole('button', { name: 'Import', exact: true }).click();
const imported = (page: Page) => expect(page.getByRole('button', { name: /Now show yours/ })).toBeVisible();
/** A second phone that has got all of the first one's logbook. */
async function secondPhone(mara: Page, log: Logbook, browser: Browser, baseURL: string): Promise<Page> {
	await mara.context().grantPermissions(['clipboard-read', 'clipboard-write']);
	const ivo = await otherPhone((options) => browser.newContext(options), baseURL);
	await openLogbook(mara, log);
	await ivo.goto(await linkTo(mara, 'Ivo', 'Mara'));
	await importIt(ivo);
	await imported(ivo);
	return ivo;
}
const linkOf = (base: string, data: unknown): string =>
	`${base}/take#v1.${deflateRawSync(typeof data === 'string' ? data : JSON.stringify(data)).toString('base64url')}`;
const entriesIn = async (page: Page): Promise<readonly (readonly [string, unknown])[]> =>
	Object.entries(await stored(page)).filter(([key]) => key.startsWith('entry:'));

const small = (): ReturnType<typeof logbookOf> => ({
	...logbookOf(freshStart('2026-06-14T06:00:00+01:00').map((one, i) => ({ ...one, id: `start${i}` }))),
	trips: []
});

test('two phones by links: all, then what is new; one thing both logged counts once; a repeat changes nothing', async ({
	page: mara,
	context,
	browser,
	baseURL
}) => {
	await context.grantPermissions(['clipboard-read', 'clipboard-write']);
	const asked: string[] = [];
	const ivo = await otherPhone((options) => browser.newContext(options), base({ baseURL }));
	for (const one of [mara, ivo]) one.on('request', (request) => asked.push(request.url()));
	await openLogbook(mara, small());
	await ivo.goto(await linkTo(mara, 'Ivo', 'Mara'));
	await expect(
		ivo.getByText('From Mara: 3 entries and 1 rig. Nothing is saved until you import it.')
	).toBeVisible();
	await expect(ivo.getByText('Paper van, the rig')).toBeVisible();
	expect(await stored(ivo)).toEqual({});
	await importIt(ivo);
	await imported(ivo);
	expect(ivo.url()).not.toContain('#');
	expect(await stored(ivo)).toEqual(await stored(mara));
	await mara.goto(await linkTo(ivo, 'Mara', 'Ivo'));
	await expect(mara.getByText('Nothing new from Ivo')).toBeVisible();
	await mara.getByRole('button', { name: 'Done' }).click();

	await imported(mara);
	for (const phone of [mara, ivo]) {
		await phone.goto('/');
		await enter(phone, 'shower');
	}
	await enter(mara, 'dishes');
	const link = await linkTo(mara, 'Ivo', 'Mara');
	expect(link.length).toBeLessThan(700);
	await ivo.goto(link);
	await expect(ivo.getByText(/You logged Shower, .* Counted once; .* is kept\./)).toBeVisible();
	await importIt(ivo);
	await imported(ivo);
	const counted = async (): Promise<number> =>
		(await entriesIn(ivo)).filter(([, one]) => !(one as { void?: true }).void).length;
	expect(await counted()).toBe(5);
	await ivo.goto(link);
	await expect(ivo.getByText('Nothing new from Mara')).toBeVisible();
	await ivo.getByRole('button', { name: 'Done' }).click();
	await imported(ivo);

	await follow(ivo, '/ledger');
	const last = ivo.locator('details').filter({ hasText: 'From Mara' });
	await expect(last).toContainText('2 entries, 1 changed');
	await last.locator('..').getByRole('button', { name: 'Undo' }).click();
	await expect(last).toHaveCount(0);
	expect(await counted()).toBe(4);
	// What stands behind the # is in no request.
	expect(asked.filter((url) => url.includes('v1.'))).toEqual([]);
	await ivo.context().close();
});

test('a correction against a correction says whose is kept, and can be turned', async ({
	page: mara,
	browser,
	baseURL
}) => {
	const fill = { kind: 'fill', tank: 'main', litres: 20, at: '2026-06-15T08:00:00+01:00' } as const;
	const log = { ...small(), entries: [...small().entries, entry(fill, 'f1')] };
	const ivo = await secondPhone(mara, log, browser, base({ baseURL }));
	const correct = async (phone: Page, litres: string): Promise<void> => {
		await phone.goto('/ledger');
		await phone.getByRole('button', { name: /^Correct Main filled/ }).click();
		await phone
			.getByRole('dialog')
			.getByLabel(/^Litres/)
			.fill(litres);
		await phone.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
		await expect(phone.getByRole('dialog')).toHaveCount(0);
	};
	await correct(mara, '22');
	await ivo.clock.runFor(60_000);
	await correct(ivo, '24');
	await ivo.goto(await linkTo(mara, 'Ivo', 'Mara'));
	await expect(ivo.getByText(/You changed it too: .*24.L.* Yours is kept\./)).toBeVisible();
	await ivo.getByRole('button', { name: /^Keep Mara’s/ }).click();
	await expect(ivo.getByText(/Mara’s is kept\./)).toBeVisible();
	await importIt(ivo);
	await imported(ivo);
	await mara.goto(await linkTo(ivo, 'Mara', 'Ivo'));
	await mara.getByRole('button', { name: /^(Done|Import)$/ }).click();
	await imported(mara);
	for (const phone of [mara, ivo]) expect((await stored(phone))['entry:f1']).toMatchObject({ litres: 22 });
	await ivo.context().close();
});

test('by code: one phone’s pictures before the other’s camera', async ({ page: mara, baseURL }, info) => {
	const log = {
		...small(),
		entries: [
			...small().entries,
			...Array.from({ length: 30 }, (_, i) =>
				entry({ kind: 'note', text: `Remark ${i * 7919}`, at: `2026-06-15T08:${10 + i}:00+01:00` }, `n${i}`)
			)
		]
	};
	await openLogbook(mara, log);
	await mara.goto('/share?with=Ivo');
	await mara.getByLabel('Your name, for Ivo').fill('Mara');
	await mara.getByRole('button', { name: 'Next' }).click();
	await expect(mara.getByRole('img', { name: /^Code, picture \d of \d$/ })).toBeVisible();
	const pictures = await picturesShown(mara);
	expect(pictures.length).toBeGreaterThan(1);
	const browser = await browserBefore(pictures, info.outputPath('code.y4m'));
	const ivo = await otherPhone((options) => browser.newContext(options), base({ baseURL }));
	await ivo.goto('/');
	// What is said while it reads is gone in a moment.
	await ivo.evaluate(() => {
		const said: string[] = [];
		Object.assign(window, { said });
		new MutationObserver(() => said.push(document.querySelector('[role=status]')?.textContent ?? '')).observe(
			document.body,
			{ subtree: true, childList: true, characterData: true }
		);
	});
	await ivo.getByRole('link', { name: 'Scan a code' }).click();
	await expect(ivo.getByText('From Mara: 33 entries and 1 rig')).toBeVisible();
	const said = await ivo.evaluate(() => (window as unknown as { said: string[] }).said.join('\n'));
	expect(said).toMatch(new RegExp(`\\b1 of ${pictures.length}`));
	await importIt(ivo);
	await imported(ivo);
	expect(await stored(ivo)).toEqual(await stored(mara));
	// The other way round is offered, and is one picture.
	await ivo.getByRole('button', { name: 'Now show yours to Mara' }).click();
	await ivo.getByLabel('Your name, for Mara').fill('Ivo');
	await ivo.getByRole('button', { name: 'Next' }).click();
	await expect(ivo.getByRole('img', { name: 'Code', exact: true })).toBeVisible();
	await browser.close();
});

test('nothing is trusted because it came by a link', async ({ page, baseURL }) => {
	const at = base({ baseURL });
	await openLogbook(page, small());
	const before = await stored(page);
	const refused = async (link: string, says: RegExp): Promise<void> => {
		await page.goto('/take');
		await page.getByLabel('Link').fill(link);
		await page.getByRole('button', { name: 'Open' }).click();
		await expect(page.getByRole('alert').first()).toContainText(says);
		await page.getByRole('button', { name: 'Cancel' }).click();
		await expect(page.getByLabel('Link')).toHaveValue('');
	};
	const good = linkOf(at, small());
	await refused('https://shop.example/', /isn’t from Dipsometer/);
	await refused(good.slice(0, -40), /cut off on the way/);
	await refused(good.replace('#v1.', '#v2.'), /newer version/);
	await refused(linkOf(at, `"${'0'.repeat(10_000_000)}"`), /larger than a link/);
	await refused(linkOf(at, '[1,'), /isn’t a logbook/);
	await refused(
		linkOf(at, { ...small(), rigs: [], entries: [{ ...small().entries[0], rig: 'raft', id: 'x' }] }),
		/isn’t on this device yet/
	);
	await page.goto(
		linkOf(at, { ...small(), rigs: [{ ...exactRig, id: 'raft', name: 'Paper raft' }], entries: [] })
	);
	await expect(
		page.getByText('Paper raft is another rig than Paper van, and is added beside.')
	).toBeVisible();
	await page.getByRole('button', { name: 'Cancel' }).click();
	expect(await stored(page)).toEqual(before);
});

test('the camera is for this page alone, and a page without one says so', async ({ page, request }) => {
	const { 'permissions-policy': policy } = (await request.get('/')).headers();
	expect(policy).toContain('camera=(self)');
	expect(policy).toContain('microphone=()');
	await openLogbook(page, small());
	await page.goto('/take?scan');
	await expect(page.getByRole('alert')).toContainText('Ask for a link or a file.');
	for (const path of ['/take', '/share', '/share?with=Ivo']) {
		await page.goto(path);
		await expect(page.getByRole('textbox').first()).toBeVisible();
		expect(await violationsOf(page), path).toEqual([]);
		await page.setViewportSize({ width: 390, height: 844 });
		expect(await page.evaluate(() => document.documentElement.scrollWidth), path).toBeLessThanOrEqual(390);
	}
	await page.getByLabel('Your name, for Ivo').fill('Mara');
	await page.getByRole('button', { name: 'Next' }).click();
	await expect(page.getByRole('img', { name: 'Code' })).toBeVisible();
	expect(await violationsOf(page)).toEqual([]);
	// What can't be copied is there to be copied by hand, and the code stays.
	await page.evaluate(() => {
		navigator.clipboard.writeText = () => Promise.reject(new Error('denied'));
	});
	await page.getByRole('button', { name: 'Send a link' }).click();
	await expect(page.getByRole('alert')).toContainText('It couldn’t be sent: denied.');
	await expect(page.getByLabel('The link')).toHaveValue(/\/take#v1\./);
	await expect(page.getByRole('img', { name: 'Code' })).toBeVisible();
});

test('Now says who has not got the last days, once that is so', async ({ page: mara, browser, baseURL }) => {
	const ivo = await secondPhone(mara, small(), browser, base({ baseURL }));
	await mara.goto(await linkTo(ivo, 'Mara', 'Ivo'));
	await mara.getByRole('button', { name: 'Done' }).click();
	await imported(mara);
	await mara.goto('/');
	const before = (await entriesIn(mara)).length;
	await enter(mara, 'shower');
	await expect.poll(async () => (await entriesIn(mara)).length).toBe(before + 1);
	await mara.clock.setSystemTime(NOW_MS + 2 * DAY_MS);
	await mara.goto('/');
	await expect(mara.getByText('Ivo hasn’t got the last two days: 1 change.')).toBeVisible();
	await mara.getByRole('link', { name: 'Share', exact: true }).click();
	await expect(mara.getByText('1 entry that Ivo hasn’t got.')).toBeVisible();
	await ivo.context().close();
});

test('a tab that goes on logging while another wipes leaves nothing behind', async ({ context }) => {
	const [one, two] = [await context.newPage(), await context.newPage()];
	await openDemo(one);
	await two.goto('/data');
	const saving = two.waitForEvent('download');
	await two.getByRole('button', { name: '1. Save a copy' }).click();
	await saving;
	await two.getByLabel('2. I have the copy').check();
	const logging = (async () => {
		for (let i = 0; i < 79; i++) {
			const line = one.getByLabel('What happened?');
			if (!(await line.isVisible())) return;
			await line.fill('wash hands', { timeout: 2000 }).catch(() => undefined);
			await line.press('Enter', { timeout: 2000 }).catch(() => undefined);
		}
	})();
	await expect.poll(async () => (await entriesIn(one)).length).toBeGreaterThan(326);
	await two.getByRole('button', { name: '3. Wipe this browser' }).click();
	await expect(two.getByRole('heading', { name: 'Look around' })).toBeVisible();
	await logging;
	await expect(one.getByRole('heading', { name: 'Look around' })).toBeVisible();
	expect(await stored(one)).toEqual({});
});
