import { expect, test } from '@playwright/test';
import { gzipSync } from 'node:zlib';
import { writeFileSync } from 'node:fs';
import { entry, exactRig, exactTrip, logbookOf } from './helpers/logbooks';
import { litresOf, openDemo, quickline } from './helpers/pages';

test('the first view is at most 130 kB of script, gzipped, and has no chart code in it', async ({ page }) => {
	await openDemo(page);
	// What a second visit loads: the first also carries the makers of the demo rigs.
	await page.goto('about:blank');
	const bodies: Promise<Buffer>[] = [];
	page.on('response', (response) => {
		if (response.request().resourceType() === 'script' && !response.url().endsWith('service-worker.js'))
			bodies.push(response.body());
	});
	await page.goto('/');
	await expect(page.getByRole('heading', { level: 1 })).toContainText('first: ');
	const scripts = await Promise.all(bodies);
	const gzipped = scripts.reduce((sum, body) => sum + gzipSync(body).length, 0);
	console.log(`first view: ${Math.round(gzipped / 1000)} kB of script, gzipped, in ${scripts.length} files`);
	expect(gzipped).toBeLessThan(130_000);
	expect(scripts.some((body) => body.includes('echarts') || body.includes('zrender'))).toBe(false);
});

test('with a year in the log, a keystroke in the quick line is answered within 50 ms', async ({
	page
}, info) => {
	const start = Date.now() - 365 * 86_400_000;
	const entries = Array.from({ length: 365 * 24 }, (_, hour) => {
		const at = new Date(start + hour * 3_600_000).toISOString();
		if (hour % 48 === 0) return entry({ kind: 'fill', at, tank: 'main', to: 'full' });
		if (hour % 48 === 1) return entry({ kind: 'dump', at, tank: 'grey', to: 'empty' });
		if (hour % 48 === 2) return entry({ kind: 'dump', at, tank: 'black', to: 'empty' });
		return entry({
			kind: 'use',
			at,
			habit: hour % 12 === 5 ? 'dishes' : hour % 24 === 7 ? 'shower' : 'flush',
			times: 1
		});
	});
	const path = info.outputPath('year.logbook.json');
	writeFileSync(path, JSON.stringify(logbookOf(entries, exactRig, [exactTrip])));
	await page.goto('/');
	await page.getByRole('button', { name: 'Open a file' }).click();
	await page.getByLabel('Choose a logbook file').setInputFiles(path);
	await page.getByRole('button', { name: 'Take it in' }).click();
	await expect.poll(() => litresOf(page, 'Main'), { timeout: 60_000 }).toBeGreaterThan(0);
	await quickline(page).click();
	const times = await page.evaluate(async () => {
		const field = document.querySelector<HTMLInputElement>('#quickline');
		const says = document.querySelector('#quickline-says');
		if (!field || !says) throw new Error('no quick line');
		const setValue = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
		const measured: number[] = [];
		for (const text of [
			's',
			'sh',
			'shower',
			'shower 2',
			'shower 20',
			'dishes',
			'fill 6',
			'fill 60',
			'dump grey',
			'crew 3'
		]) {
			const began = performance.now();
			setValue?.call(field, text);
			field.dispatchEvent(new InputEvent('input', { bubbles: true }));
			await new Promise(requestAnimationFrame);
			measured.push(performance.now() - began);
			await new Promise((resolve) => setTimeout(resolve, 120));
		}
		return measured.sort((a, b) => a - b);
	});
	console.log(
		`keystroke to paint: median ${times[5]?.toFixed(1)} ms, slowest ${times.at(-1)?.toFixed(1)} ms`
	);
	// The machine that tests is slow and shared: the median is what is promised.
	expect(times[5]).toBeLessThan(50);
});
