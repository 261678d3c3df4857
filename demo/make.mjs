// npm run demo:files: writes the demo logbooks as files into demo/out/, dated for today.
import { mkdirSync, writeFileSync } from 'node:fs';
import { runnerImport } from 'vite';

const OUT = 'demo/out';
const timeZone = process.env.TZ || 'Europe/London';
/** @type {{ module: typeof import('.') }} */
const { module } = await runnerImport('./demo/index.ts', { logLevel: 'error' });
mkdirSync(OUT, { recursive: true });
for (const [name, logbook] of Object.entries({
	wren: module.camperLogbook(Date.now(), timeZone),
	sandling: module.boatLogbook(Date.now(), timeZone)
})) {
	const path = `${OUT}/${name}.logbook.json`;
	writeFileSync(path, `${JSON.stringify(logbook, undefined, '\t')}\n`);
	console.log(path);
}
