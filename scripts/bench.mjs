// npm run bench: how fast it is, from outside, on a build that is there (npm run build). With words behind it, parts alone:
// `phone` (views on a phone four times slower and on this machine as it is), `bytes` (what is loaded for each view), `clients`
// (one to eight at the endpoints at once), `decade` (100 000 entries in the browser's store), `engine` (the core by itself).
import { resolve } from 'node:path';
import { runnerImport } from 'vite';
import { chromiumOptions } from './chromium.mjs';
import { serve } from './serve.mjs';
import { run } from './setup.mjs';

const words = process.argv.slice(2);
const wants = (part) => words.length === 0 || words.includes(part);
const load = async (name) =>
	(
		await runnerImport(`./bench/outside/${name}.ts`, {
			logLevel: 'error',
			resolve: { alias: { $core: resolve('src/core'), $lib: resolve('src/lib'), $demo: resolve('demo') } }
		})
	).module;
const ms = (value) => `${Math.round(value)} ms`;

function tellPhone(device, { first, return: back, opened, views, leftAtOnceMs }) {
	console.log(
		`\n${device}: first verdict ${ms(first)}, a return ${ms(back)} (longest task ${ms(opened.longestMs)}); Now half a second after Trip ${ms(leftAtOnceMs)}`
	);
	console.table(
		views.map(({ path, titleMs, deafMs, longestMs, tasks, shift }) => ({
			view: path,
			'title after': ms(titleMs),
			'deaf in all': ms(deafMs),
			'longest task': ms(longestMs),
			'long tasks': tasks,
			'layout shift': shift.toFixed(3)
		}))
	);
}

if (['phone', 'bytes', 'clients', 'decade'].some(wants)) {
	const { server, address } = await serve({ port: 0 });
	if (wants('bytes'))
		console.table(
			(await (await load('bytes')).measure(address, chromiumOptions)).map(({ view, kB, files }) => ({
				view,
				'kB gz': kB.toFixed(1),
				files
			}))
		);
	if (wants('clients'))
		console.table(
			(await (await load('clients')).measure(address)).map(
				({ clients, callsPerSecond, medianMs, slowestMs }) => ({
					clients,
					'calls a second': callsPerSecond.toFixed(1),
					median: ms(medianMs),
					slowest: ms(slowestMs)
				})
			)
		);
	if (wants('phone'))
		for (const [device, measured] of Object.entries(
			await (await load('phone')).measure(address, chromiumOptions)
		))
			tellPhone(device, measured);
	if (wants('decade')) console.log(await (await load('decade')).measure(address, chromiumOptions));
	server.close();
}
if (wants('engine')) run('npx', ['vitest', 'bench', '--run']);
