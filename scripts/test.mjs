// npm test: installs what is missing, then lint, types, unit tests, build and browser tests; counts over all runners.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { installChromium, installPackages } from './setup.mjs';

installPackages();
installChromium();
// One version for all that is made here: the framework writes it down wherever its plugin is loaded, for the build too.
process.env.DIPSOMETER_BUILD ??= String(Date.now());

const reports = mkdtempSync(join(tmpdir(), 'dipsometer-'));

/** A program of the packages, without the starter in between. */
const bin = (name) => join('node_modules', '.bin', name);
/** A step that passes or fails as a whole. */
const whole = (ok) => ({ passed: ok ? 1 : 0, failed: ok ? 0 : 1 });
const readReport = (path) => (existsSync(path) ? JSON.parse(readFileSync(path, 'utf8')) : undefined);

const unit = (project) => {
	const report = join(reports, `${project}.json`);
	return {
		name: `unit tests: ${project}`,
		command: [
			bin('vitest'),
			'run',
			`--project=${project}`,
			'--maxWorkers=1',
			'--reporter=default',
			'--reporter=json',
			`--outputFile.json=${report}`
		],
		count: (ok) => {
			const found = readReport(report);
			if (!found) return whole(false);
			const { numPassedTests: passed, numFailedTests: failed } = found;
			return { passed, failed: failed + (ok || failed > 0 ? 0 : 1) };
		}
	};
};

/**
 * Each of these keeps one core busy: the two of the machine take them from the queue, the longest first. The tests of the
 * application come after the build: both write what the framework generates; those of the core do not (`vitest.config.ts`).
 */
const QUEUE = [
	[unit('core')],
	[{ name: 'build', command: [bin('vite'), 'build', '--logLevel', 'error'] }, unit('app')],
	[
		{
			name: 'types',
			command: [
				bin('svelte-check'),
				'--tsconfig',
				'./tsconfig.json',
				'--fail-on-warnings',
				'--output',
				'human'
			]
		}
	],
	[{ name: 'lint: eslint', command: [bin('eslint'), '.'] }],
	[{ name: 'lint: prettier', command: [bin('prettier'), '--check', '--log-level', 'warn', '.'] }],
	[{ name: 'types of the core', command: [bin('tsc'), '-p', 'src/core/tsconfig.json'] }]
];
const CORES = 2;
/** Use both cores by themselves, and want the build; those that time something come last, each alone. */
const BROWSER_TESTS = ['together', 'alone'].map((project) => {
	const report = join(reports, `browser-${project}.json`);
	return {
		name: `browser tests: ${project}`,
		command: [bin('playwright'), 'test', `--project=${project}`, '--reporter=list,json'],
		env: { PLAYWRIGHT_JSON_OUTPUT_NAME: report },
		count: (ok) => {
			const stats = readReport(report)?.stats;
			if (!stats) return whole(false);
			return {
				passed: stats.expected + stats.flaky,
				failed: stats.unexpected + (ok || stats.unexpected > 0 ? 0 : 1)
			};
		}
	};
});

const total = { passed: 0, failed: 0 };
function add(name, { passed, failed }, began) {
	const seconds = Math.round((Date.now() - began) / 1000);
	console.log(`— ${name}: ${failed === 0 ? 'ok' : `${failed} failed`} (${seconds} s)`);
	total.passed += passed;
	total.failed += failed;
}

/** Runs something beside others: what it prints is shown in one piece when it ends. */
const inQueue = ({ name, command: [program, ...args], count = whole }) =>
	new Promise((resolve) => {
		const began = Date.now();
		const printed = [];
		const child = spawn(program, args, { stdio: ['ignore', 'pipe', 'pipe'] });
		for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => printed.push(chunk));
		child.on('error', (error) => printed.push(Buffer.from(`${error.message}\n`)));
		child.on('close', (status) => {
			process.stdout.write(`\n— ${name}\n${Buffer.concat(printed)}`);
			add(name, count(status === 0), began);
			resolve();
		});
	});

/** Takes one after the other from the queue. */
async function takeFromQueue() {
	for (let next = QUEUE.shift(); next; next = QUEUE.shift()) for (const one of next) await inQueue(one);
}

spawnSync(bin('svelte-kit'), ['sync'], { stdio: 'inherit' });
await Promise.all(Array.from({ length: CORES }, takeFromQueue));
for (const { name, command, count, env } of BROWSER_TESTS) {
	const [program, ...args] = command;
	const began = Date.now();
	console.log(`\n— ${name}`);
	const { status } = spawnSync(program, args, { stdio: 'inherit', env: { ...process.env, ...env } });
	add(name, count(status === 0), began);
}
console.log(`\n${total.passed} passed, ${total.failed} failed`);
process.exitCode = total.failed === 0 && total.passed > 0 ? 0 : 1;
