// npm run calibrate: lives made-up trips with a known truth, and writes how the estimate fared into docs/estimate.md.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { runnerImport } from 'vite';

const cases = Number(process.argv[2] ?? 200);
const only = process.argv[3];
/** @type {{ module: typeof import('../bench/score') }} */
const { module: bench } = await runnerImport('./bench/score.ts', { logLevel: 'error' });
/** @type {{ module: typeof import('../bench/truth/index') }} */
const { module: truth } = await runnerImport('./bench/truth/index.ts', { logLevel: 'error' });

const percent = (value) =>
	value === undefined || Number.isNaN(value) ? '' : `${(100 * value).toFixed(1)} %`;
const HEAD = [
	'| class | inside 90 % | fresh error | waste error | fresh, 3 days on | mean width | honest doubted | liar flagged | moved by liar |',
	'| --- | --- | --- | --- | --- | --- | --- | --- | --- |'
];
const rows = [];
console.log(HEAD.join('\n'));
for (const manner of truth.MANNERS.filter(({ name }) => !only || name.includes(only))) {
	const s = bench.score(manner, cases);
	const row = `| ${[s.name, percent(s.coverage), percent(s.freshError), percent(s.wasteError), percent(s.threeDaysError), percent(s.width), percent(s.honestDoubted), percent(s.flagged), percent(s.moved)].join(' | ')} |`;
	rows.push(row);
	console.log(row);
	if (only)
		for (const [tank, shares] of s.byTank)
			console.log(`  ${tank}: inside, below, above ${shares.map(percent).join(', ')}`);
}
/** @type {{ module: typeof import('../bench/foretell') }} */
const { module: ahead } = await runnerImport('./bench/foretell.ts', { logLevel: 'error' });
const AHEAD_HEAD = [
	'| class | sooner than p10 | later than p90 | median width, share of p50 | median error of p50 |',
	'| --- | --- | --- | --- | --- |'
];
const aheadRows = [];
console.log(AHEAD_HEAD.join('\n'));
for (const manner of truth.MANNERS.filter(({ name }) => !only || name.includes(only))) {
	const f = ahead.foretell(manner, cases);
	const row = `| ${[f.name, percent(f.sooner), percent(f.later), percent(f.width), percent(f.error)].join(' | ')} |`;
	aheadRows.push(row);
	console.log(row);
}
const METER_ONLY = 'meter only';
const floor = percent(
	bench.floorOf(
		truth.MANNERS.find(({ name }) => name === METER_ONLY),
		cases
	)
);
const bound = `One who knew the level at every meter reading exactly, and the crew's true litres a day, would still be off by ${floor} of the fresh tank in the class "${METER_ONLY}": nobody knows at which hour a shower was taken.`;
if (!only) console.log(bound);
const PAGE = 'docs/estimate.md';
const [BEGIN, END] = ['<!-- calibration -->', '<!-- end of calibration -->'];
if (!only && existsSync(PAGE)) {
	const text = readFileSync(PAGE, 'utf8');
	const [before, rest = ''] = text.split(BEGIN);
	const after = rest.split(END)[1] ?? '';
	const page = `${before}${BEGIN}\n\n${[`Over ${cases} made-up trips a class:`, '', ...HEAD, ...rows, '', bound, '', `Forecasts of the same crews: after some days of log they stay where they are, with no tap and no drain, until a tank binds (${cases} stays a class).`, '', ...AHEAD_HEAD, ...aheadRows].join('\n')}\n\n${END}${after}`;
	writeFileSync(PAGE, await format(page, { ...(await resolveConfig(PAGE)), filepath: PAGE }));
}
