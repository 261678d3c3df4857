// npm run calibrate: lives made-up trips with a known truth, writes how the estimate fared into docs/estimate.md, and
// fails where a class misses its target; plans made-up trips and lives them, and writes that into docs/plan.md.
// `npm run calibrate -- 40 plates` scores some trips of some classes only, `npm run calibrate -- 40 plans` plans alone,
// `npm run calibrate -- 40 lives` lives alone that the rig did not foresee, `npm run calibrate -- 40 silences` lives in which now and then
// nobody writes, `npm run calibrate -- 40 levels` none of these; `npm run calibrate -- 20 chances` holds the chances that plans name against what came;
// `npm run calibrate -- 16 heard` listens to lives at the tap and writes how well into docs/listen.md.
import { fork } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { format, resolveConfig } from 'prettier';
import { runnerImport } from 'vite';

const cases = Number(process.argv[2] ?? 200);
const plansOnly = process.argv[3] === 'plans';
const livesOnly = process.argv[3] === 'lives';
const silencesOnly = process.argv[3] === 'silences';
const levelsOnly = process.argv[3] === 'levels';
const only = plansOnly || livesOnly || silencesOnly || levelsOnly ? undefined : process.argv[3];
/** Four weeks each: fewer of them. */
const livedCases = livesOnly || silencesOnly ? cases : Math.ceil(cases / 4);
/** Planning a trip anew at each stop takes its time: fewer trips of each class. */
const planned = plansOnly ? cases : Math.ceil(cases / 5);
/** @type {{ module: typeof import('../bench/truth/index') }} */
const { module: truth } = await runnerImport('./bench/truth/index.ts', { logLevel: 'error' });
const { LIVES, MANNERS, SILENT } = truth;

/** A worker: scores and foretells one class after the other, as it is told. */
async function work() {
	/** @type {{ module: typeof import('../bench/score') }} */
	const { module: bench } = await runnerImport('./bench/score.ts', { logLevel: 'error' });
	/** @type {{ module: typeof import('../bench/foretell') }} */
	const { module: ahead } = await runnerImport('./bench/foretell.ts', { logLevel: 'error' });
	/** @type {{ module: typeof import('../bench/keep') }} */
	const { module: plans } = await runnerImport('./bench/keep.ts', { logLevel: 'error' });
	/** @type {{ module: typeof import('../bench/lives') }} */
	const { module: lives } = await runnerImport('./bench/lives.ts', { logLevel: 'error' });
	/** @type {{ module: typeof import('../bench/silences') }} */
	const { module: silences } = await runnerImport('./bench/silences.ts', { logLevel: 'error' });
	process.on('message', (name) => {
		const quiet = SILENT.find((one) => one.name === name);
		if (quiet) return process.send({ name, silent: silences.scoreSilences(quiet, livedCases) });
		const life = LIVES.find((one) => one.name === name);
		if (life) return process.send({ name, lived: lives.scoreLives(life, livedCases) });
		const manner = MANNERS.find((one) => one.name === name);
		const kept =
			!levelsOnly && plans.isKept(manner)
				? [plans.keepPlans(manner, planned, false), plans.keepPlans(manner, planned, true)]
				: undefined;
		if (plansOnly) return process.send({ name, kept });
		const scored = bench.score(manner, cases);
		const floor = name === METER_ONLY ? bench.floorOf(manner, cases) : undefined;
		const foretold = ahead.scoreForetelling(manner, cases);
		process.send({ name, scored: { ...scored, byTank: [...scored.byTank] }, foretold, floor, kept });
	});
	process.send('ready');
}

/** Parts of a life with silences. */
const PARTS = ['silence', 'after', 'between'];
const METER_ONLY = 'meter only';
const percent = (value) =>
	value === undefined || value === null || Number.isNaN(value) ? '' : `${(100 * value).toFixed(1)} %`;

/** All classes, scored by as many workers as there are cores. */
function scoreAll(names) {
	const results = new Map();
	const waiting = [...names];
	return new Promise((resolve, reject) => {
		let busy = 0;
		for (let i = 0; i < Math.min(availableParallelism(), names.length); i++) {
			const worker = fork(fileURLToPath(import.meta.url), process.argv.slice(2), {
				env: { ...process.env, CALIBRATE_WORKER: '1' }
			});
			busy++;
			worker.on('message', (answer) => {
				if (answer !== 'ready') {
					results.set(answer.name, answer);
					const { scored, kept, lived, silent } = answer;
					if (silent)
						console.log(
							`${answer.name}: ${PARTS.map((part) => `${part} ${percent(silent.phases[part].inside)}`).join(', ')} inside`
						);
					if (lived)
						console.log(
							`${answer.name}: ${percent(lived.inside)} inside, p50 ${lived.middle.toFixed(2)} of what was true`
						);
					if (scored)
						console.log(`${answer.name}: ${percent(scored.coverage)} inside, ${percent(scored.width)} wide`);
					if (kept) console.log(`${answer.name}: ${percent(kept[0].bound)} of ${kept[0].trips} plans bound`);
				}
				const next = waiting.shift();
				if (next !== undefined) worker.send(next);
				else {
					worker.disconnect();
					if (--busy === 0) resolve(results);
				}
			});
			worker.on('error', reject);
			worker.on('exit', (code) => code !== 0 && reject(new Error(`a worker ended with ${code}`)));
		}
	});
}

/** What a life missed that the rig did not foresee, sampling error aside; nothing when it reached its target. */
function lifeMisses(target, { name, lived }) {
	const { inside, before, middle, cases: all } = lived;
	const within = (value, [least, most], slack) => value >= least - slack && value <= most + slack;
	const chance = (p) => 2 * Math.sqrt((p * (1 - p)) / all);
	return [
		...(within(inside, target.inside, 0.02) ? [] : [`${name}: ${percent(inside)} inside`]),
		...(within(middle, target.middle, 0.06) ? [] : [`${name}: p50 ${middle.toFixed(2)} of what was true`]),
		...(within(before[0], target.before[0], chance(0.1))
			? []
			: [`${name}: ${percent(before[0])} before p10`]),
		...(within(before[2], target.before[1], chance(0.1)) ? [] : [`${name}: ${percent(before[2])} before p90`])
	];
}

/** Tells and writes how lives fared that the rig did not foresee; gives what they missed, in words. */
async function writeLives(answers, target) {
	if (answers.length === 0) return [];
	const lines = [
		`${livedCases} lives a class: four weeks each, looked at from the twelfth day on; then they set out full and empty and stay until a tank binds.`,
		'',
		'| lived against what the rig says | levels inside 90 % | mean width | ended before p10 / p50 / p90 | p50 against the truth | median width, share of p50 |',
		'| --- | --- | --- | --- | --- | --- |',
		...answers.map(
			({ lived: s }) =>
				`| ${[s.name, percent(s.inside), percent(s.width), s.before.map((share) => `${Math.round(100 * share)} %`).join(' / '), s.middle.toFixed(2), percent(s.spread)].join(' | ')} |`
		)
	];
	console.log(lines.join('\n'));
	await writeInto('docs/estimate.md', lines, 'lives');
	const misses = answers.flatMap((answer) => lifeMisses(target, answer));
	for (const miss of misses) console.error(`MISSED ${miss}`);
	return misses;
}

/** Tells and writes how lives fared in which now and then nobody writes; gives what they missed, in words. */
async function writeSilences(answers, { inside: [least, most], width }) {
	if (answers.length === 0) return [];
	const lines = [
		`${livedCases} lives a class, of 26 days, looked at from the sixth day on: from the fourteenth hour of a silence, in the day and a half after one, and else.`,
		'',
		`| class | ${PARTS.map((part) => `${part}: inside 90 % · mean width · median error · hopeful by`).join(' | ')} |`,
		`| --- |${PARTS.map(() => ' --- |').join('')}`,
		...answers.map(
			({ name, silent: { phases } }) =>
				`| ${name} | ${PARTS.map((part) => [phases[part].inside, phases[part].width, phases[part].error, phases[part].hopeful].map(percent).join(' · ')).join(' | ')} |`
		)
	];
	console.log(lines.join('\n'));
	await writeInto('docs/estimate.md', lines, 'silences');
	const misses = answers.flatMap(({ name, silent: { phases } }) =>
		PARTS.flatMap((part) => {
			const { inside, width: wide, lives } = phases[part];
			// Levels of one life go together: as many looks as lives, so to speak, and some more.
			const slack = 2 * Math.sqrt((least * (1 - least)) / (4 * lives));
			return [
				...(inside < least - slack || inside > most ? [`${name}, ${part}: ${percent(inside)} inside`] : []),
				...(part === 'silence' && wide > width ? [`${name}, ${part}: ${percent(wide)} wide`] : [])
			];
		})
	);
	for (const miss of misses) console.error(`MISSED ${miss}`);
	return misses;
}

/** What a class missed, in words; nothing when it reached its target. */
function missesOf(target, { name, scored }) {
	const { coverage, coverageSe, width } = scored;
	const [least, most] = target.inside;
	// two standard errors: one class in forty would be called short by chance
	const slack = 2 * coverageSe;
	return [
		...(coverage < least - slack
			? [`${name}: ${percent(coverage)} inside, less than ${percent(least)}`]
			: []),
		...(coverage > most + slack ? [`${name}: ${percent(coverage)} inside, more than ${percent(most)}`] : []),
		...(width > target.width ? [`${name}: ${percent(width)} wide, more than ${percent(target.width)}`] : [])
	];
}

/** Puts lines between the marks of a page. */
async function writeInto(path, lines, what = 'calibration') {
	if (!existsSync(path)) return;
	const [BEGIN, END] = [`<!-- ${what} -->`, `<!-- end of ${what} -->`];
	const [before, rest = ''] = readFileSync(path, 'utf8').split(BEGIN);
	const after = rest.split(END)[1] ?? '';
	const page = `${before}${BEGIN}\n\n${lines.join('\n')}\n\n${END}${after}`;
	writeFileSync(path, await format(page, { ...(await resolveConfig(path)), filepath: path }));
}

/** Nine trips in ten bind nowhere, three points of chance aside; and it costs at most a tenth more than knowing would. */
const MOST_BOUND = 0.13;
const MOST_OVERPAID = 0.1;

/** Tells and writes how planned trips fared; gives what they missed, in words. */
async function writePlans(answers) {
	const kept = answers.filter((answer) => answer.kept);
	if (kept.length === 0) return [];
	const all = kept.flatMap((answer) => answer.kept);
	const trips = all.reduce((sum, one) => sum + one.trips, 0);
	const mean = (of) => all.reduce((sum, one) => sum + one.trips * of(one), 0) / trips;
	const paid = kept.reduce((sum, answer) => sum + answer.kept[0].paid, 0);
	const least = kept.reduce((sum, answer) => sum + answer.kept[0].least, 0);
	const [bound, anew, overpaid] = [mean((one) => one.bound), mean((one) => one.boundAnew), paid / least - 1];
	const rows = kept.map(
		({ name, kept: [full, light] }) =>
			`| ${[name, full.trips, percent(full.bound), percent(light.bound), percent(full.boundAnew), percent(full.paid / full.least - 1), percent(full.givenUp), `${Math.round(full.slowestMs)} ms`].join(' | ')} |`
	);
	const lines = [
		`${trips} trips that a plan for nine in ten called feasible (of ${planned} made-up ones a class, filled to the brim and with part loads). Lived by the plan as it was made, a tank bound somewhere on ${percent(bound)} of them; planned anew at each stop, on ${percent(anew)}, at ${percent(overpaid)} over what a plan costs that is made once by one who knows the true rates and levels.`,
		'',
		'| class | trips | bound | bound, part loads | bound, planned anew | paid over knowing | given up, of those that knowing has a plan for | slowest plan |',
		'| --- | --- | --- | --- | --- | --- | --- | --- |',
		...rows
	];
	console.log(lines.join('\n'));
	if (!only) await writeInto('docs/plan.md', lines);
	const slack = 2 * Math.sqrt((MOST_BOUND * (1 - MOST_BOUND)) / trips);
	const misses = [
		...(bound > MOST_BOUND + slack
			? [`plans: ${percent(bound)} bound, more than ${percent(MOST_BOUND)}`]
			: []),
		...(overpaid > MOST_OVERPAID
			? [`plans: ${percent(overpaid)} overpaid, more than ${percent(MOST_OVERPAID)}`]
			: [])
	];
	for (const miss of misses) console.error(`MISSED ${miss}`);
	return misses;
}

/** Chances that plans name, by how high they are, against what came of those trips; of lives like their rig, and unlike it. */
async function chancesTable() {
	/** @type {{ module: typeof import('../bench/chances') }} */
	const { module: bench } = await runnerImport('./bench/chances.ts', { logLevel: 'error' });
	const like = MANNERS.filter(({ guests, hookups, jugs }) => !guests && !hookups && !jugs);
	const EDGES = [0, 0.1, 0.3, 0.5, 0.7, 0.85, 0.95, 1.001];
	const mean = (values) => values.reduce((sum, value) => sum + value, 0) / values.length;
	const rows = [
		['like their rig', like],
		['unlike it', LIVES]
	].flatMap(([name, manners]) => {
		const all = manners.flatMap((manner) => bench.nameChances(manner, cases));
		return EDGES.slice(0, -1).flatMap((from, i) => {
			const these = all.filter(({ chance }) => chance >= from && chance < EDGES[i + 1]);
			if (these.length === 0) return [];
			const held = mean(these.map(({ held: one }) => Number(one)));
			return [
				`| ${[name, these.length, percent(mean(these.map(({ chance }) => chance))), `${percent(held)} ± ${(100 * Math.sqrt((held * (1 - held)) / these.length)).toFixed(1)}`].join(' | ')} |`
			];
		});
	});
	return ['| lives | trips | named | held |', '| --- | --- | --- | --- |', ...rows];
}

/** How well lives at the tap are heard, a class a row; those that the meter shows well miss their target or reach it. */
async function heardTable() {
	/** @type {{ module: typeof import('../bench/heard') }} */
	const { module: bench } = await runnerImport('./bench/heard.ts', { logLevel: 'error' });
	const rows = bench.HEARINGS.map((hearing) => {
		const s = bench.scoreHeard(hearing, cases);
		for (const miss of bench.heardMisses(hearing, s)) {
			console.error(`MISSED ${miss}`);
			process.exitCode = 1;
		}
		const leaks = s.leaks > 0 ? `${s.leaksFound} of ${s.leaks}` : '';
		return `| ${[s.name, s.uses, percent(s.found), percent(s.right), percent(s.litres), percent(s.extra), s.brier.toFixed(3), leaks, s.leaksInvented, `${s.ms.toFixed(0)} ms`].join(' | ')} |`;
	});
	return [
		`${cases} lives of six days a class; the first three days are written by hand, with slips; the uses of the last three are scored.`,
		'',
		'| lives | uses | found | of those right | litres within a sixth | made up | Brier | drips found | drips made up | time |',
		'| --- | --- | --- | --- | --- | --- | --- | --- | --- | --- |',
		...rows
	];
}

async function main() {
	if (process.argv[3] === 'heard') {
		const table = await heardTable();
		console.log(table.join('\n'));
		return writeInto('docs/listen.md', table, 'heard');
	}
	if (process.argv[3] === 'chances') {
		const table = await chancesTable();
		console.log(table.join('\n'));
		return writeInto('docs/plan.md', table, 'chances');
	}
	/** @type {{ module: typeof import('../bench/targets') }} */
	const { module: targets } = await runnerImport('./bench/targets.ts', { logLevel: 'error' });
	const lives = plansOnly || silencesOnly || levelsOnly || only ? [] : LIVES.map(({ name }) => name);
	const silent = plansOnly || livesOnly || levelsOnly || only ? [] : SILENT.map(({ name }) => name);
	const names =
		livesOnly || silencesOnly
			? []
			: MANNERS.map(({ name }) => name).filter((name) => !only || name.includes(only));
	const results = await scoreAll([...names, ...lives, ...silent]);
	const answers = names.map((name) => results.get(name));
	const missedLives = await writeLives(
		lives.map((name) => results.get(name)),
		targets.LIFE
	);
	const missedSilences = await writeSilences(
		silent.map((name) => results.get(name)),
		targets.SILENCE
	);
	if (livesOnly || silencesOnly) {
		process.exitCode = missedLives.length + missedSilences.length > 0 ? 1 : 0;
		return;
	}
	const planMisses = await writePlans(answers);
	if (plansOnly) {
		process.exitCode = planMisses.length > 0 ? 1 : 0;
		return;
	}
	const HEAD = [
		'| class | inside 90 % | fresh error | waste error | fresh, 3 days on | mean width | honest doubted | liar flagged | moved by liar |',
		'| --- | --- | --- | --- | --- | --- | --- | --- | --- |'
	];
	const rows = answers.map(
		({ scored: s }) =>
			`| ${[s.name, `${percent(s.coverage)} ± ${(100 * s.coverageSe).toFixed(1)}`, percent(s.freshError), percent(s.wasteError), percent(s.threeDaysError), percent(s.width), percent(s.honestDoubted), percent(s.flagged), percent(s.moved)].join(' | ')} |`
	);
	const AHEAD_HEAD = [
		'| class | sooner than p10 | later than p90 | median width, share of p50 | median error of p50 |',
		'| --- | --- | --- | --- | --- |'
	];
	const aheadRows = answers.map(
		({ foretold: f }) =>
			`| ${[f.name, percent(f.sooner), percent(f.later), percent(f.width), percent(f.error)].join(' | ')} |`
	);
	console.log([...HEAD, ...rows, ...AHEAD_HEAD, ...aheadRows].join('\n'));
	if (only)
		for (const { scored } of answers)
			for (const [tank, shares] of scored.byTank)
				console.log(`  ${scored.name}, ${tank}: inside, below, above ${shares.map(percent).join(', ')}`);
	const misses = [
		...planMisses,
		...missedLives,
		...missedSilences,
		...answers.flatMap((answer) => missesOf(targets.targetOf(answer.name), answer))
	];
	for (const miss of misses) console.error(`MISSED ${miss}`);
	console.log(`${answers.length} classes of ${cases} trips, ${misses.length} targets missed`);
	if (!only) {
		const floor = percent(results.get(METER_ONLY)?.floor);
		const bound = `One who knew the level at every meter reading exactly, and the crew's true litres a day, would still be off by ${floor} of the fresh tank in the class "${METER_ONLY}": nobody knows at which hour a shower was taken.`;
		await writeInto('docs/estimate.md', [
			`Over ${cases} made-up trips a class; ± is the standard error from trip to trip:`,
			'',
			...HEAD,
			...rows,
			'',
			bound,
			'',
			`Forecasts of the same crews: after some days of log they stay where they are, with no tap and no drain, until a tank binds (${cases} stays a class).`,
			'',
			...AHEAD_HEAD,
			...aheadRows
		]);
	}
	process.exitCode = misses.length > 0 ? 1 : 0;
}

await (process.env.CALIBRATE_WORKER ? work() : main());
