// npm run answers -- keep: writes down what the product answers: every endpoint over made-up logbooks, the example and the
// demo rigs, to full precision, and what each view of the build shows (words, labels, geometry) as plain data.
// npm run answers: asks the same again and tells what differs; it fails where anything does. For changes that should change
// nothing. `endpoints` or `views` behind either asks that half alone.
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { runnerImport } from 'vite';

const OUT = 'answers';
const words = process.argv.slice(2);
const keep = words.includes('keep');
const wants = (half) => words.includes(half) || !['endpoints', 'views'].some((one) => words.includes(one));

const read = (name) => JSON.parse(readFileSync(`${OUT}/${name}.json`, 'utf8'));
const write = (name, value) => {
	mkdirSync(OUT, { recursive: true });
	writeFileSync(`${OUT}/${name}.json`, `${JSON.stringify(value, undefined, '\t')}\n`);
};

async function askEndpoints() {
	/** @type {{ module: typeof import('../bench/answers') }} */
	const { module } = await runnerImport('./bench/answers.ts', {
		logLevel: 'error',
		resolve: { alias: { $core: resolve('src/core'), $lib: resolve('src/lib') } }
	});
	// What is asked about is kept too: a change of what makes it up must not change the question.
	if (!existsSync(`${OUT}/logbooks.json`))
		write('logbooks', {
			...module.madeUpLogbooks(),
			example: JSON.parse(readFileSync('tests/fixtures/survey-van.logbook.json', 'utf8'))
		});
	const answers = { without: await module.answersWithout() };
	for (const [name, logbook] of Object.entries(read('logbooks'))) {
		answers[name] = await module.answersAbout(logbook);
		console.error(`asked about ${name}`);
	}
	return answers;
}

const VIEWS = [
	'/',
	'/trip',
	'/trip/points',
	'/trip/card',
	'/habits',
	'/ledger',
	'/ledger/review',
	'/ledger/record',
	'/rig',
	'/rig/care',
	'/rig/doses',
	'/rig/lay-up',
	'/rig/weight',
	'/rig/what-if',
	'/run/fill',
	'/run/dump',
	'/run/carry',
	'/data',
	'/data/format'
];
const RIGS = { Wren: ['wren-main', 'wren-grey'], Sandling: ['sand-aft'] };
const NOW = new Date('2027-06-16T10:40:00+01:00');

/** Everything that a page shows, in order: texts, labels, fields, and the numbers of its drawings. */
function shown() {
	const GEOMETRY =
		/^(aria-label|alt|title|placeholder|href|style|d|x|y|x1|x2|y1|y2|cx|cy|r|rx|ry|width|height|points|transform|fill|stroke|stroke-width|stroke-dasharray|viewBox|disabled|checked|value|type)$/;
	const lines = [];
	const walk = (node) => {
		if (node.nodeType === Node.TEXT_NODE) {
			const text = node.textContent.replace(/\s+/g, ' ').trim();
			if (text) lines.push(text);
			return;
		}
		if (node.nodeType !== Node.ELEMENT_NODE || ['SCRIPT', 'STYLE', 'TEMPLATE'].includes(node.tagName)) return;
		const given = [...node.attributes]
			.filter(({ name, value }) => GEOMETRY.test(name) && !/zr\d|blob:/.test(value))
			// Which component was made as which in a row is told by its ids, and by nothing that one sees.
			.map(({ name, value }) => `${name}=${value.replace(/#c\d+-/, '#')}`)
			.sort();
		const value = 'value' in node && typeof node.value === 'string' ? [`is ${node.value}`] : [];
		const all = [...given, ...value];
		lines.push(`<${node.tagName.toLowerCase()}${all.map((one) => ` ${one}`).join('')}>`);
		for (const child of node.childNodes) walk(child);
	};
	walk(document.body);
	return lines;
}

/** What a page shows once it has been the same for two seconds. */
async function settled(page) {
	let before = '';
	let quiet = 0;
	for (let i = 0; i < 150 && quiet < 5; i++) {
		await page.waitForTimeout(400);
		const now = JSON.stringify(await page.evaluate(shown));
		quiet = now === before ? quiet + 1 : 0;
		before = now;
	}
	return JSON.parse(before);
}

async function lookAtViews() {
	const { chromium } = await import('@playwright/test');
	const { chromiumOptions } = await import('./chromium.mjs');
	const { serve } = await import('./serve.mjs');
	const { server, address } = await serve({ port: 0 });
	const browser = await chromium.launch(chromiumOptions);
	const views = {};
	for (const [rig, tanks] of Object.entries(RIGS)) {
		const context = await browser.newContext({
			viewport: { width: 1280, height: 800 },
			timezoneId: 'Europe/London',
			locale: 'en-GB',
			reducedMotion: 'reduce',
			serviceWorkers: 'block'
		});
		const page = await context.newPage();
		await page.clock.setFixedTime(NOW);
		await page.goto(`${address}/?demo`);
		await page.locator('.rods').waitFor();
		await page.getByLabel('Rig', { exact: true }).selectOption(rig);
		await settled(page);
		for (const path of [...VIEWS, ...tanks.flatMap((id) => [`/rig/tank/${id}`, `/rig/tank/${id}/print`])]) {
			await page.goto(`${address}${path}`);
			await page.locator('h1, .run').first().waitFor();
			views[`${rig} ${path}`] = await settled(page);
			console.error(`looked at ${rig} ${path}`);
		}
		await context.close();
	}
	await browser.close();
	server.close();
	return views;
}

/** Tells where two answers part: the first few places. */
function differences(before, after, path = '') {
	if (before === after) return [];
	if (typeof before !== 'object' || typeof after !== 'object' || before === null || after === null) {
		const [a, b] = [String(before), String(after)];
		let at = 0;
		while (at < a.length && a[at] === b[at]) at++;
		const near = (text) => JSON.stringify(text.slice(Math.max(0, at - 60), at + 60));
		return [`${path.slice(0, 160)}\n  was ${near(a)}\n  is  ${near(b)}`];
	}
	const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])];
	return keys.flatMap((key) => differences(before[key], after[key], `${path} › ${key}`));
}

const TOLD = 20;
let differing = 0;
for (const [half, ask] of [
	['endpoints', askEndpoints],
	['views', lookAtViews]
]) {
	if (!wants(half)) continue;
	const answers = await ask();
	if (keep) {
		write(half, answers);
		continue;
	}
	const found = differences(read(half), answers, half);
	for (const one of found.slice(0, TOLD)) console.log(one);
	console.log(found.length === 0 ? `${half}: the same` : `${half}: ${found.length} places differ`);
	differing += found.length;
}
process.exitCode = differing > 0 ? 1 : 0;
