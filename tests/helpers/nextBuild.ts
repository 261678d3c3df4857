import { cpSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const TEXTS = /\.(js|json|html)$/;

/**
 * Makes the next build out of one: the same code under another version. The chunk that bears the version gets another name,
 * as it would from a build, and so does whatever names it; what was compressed of the old one is left out.
 *
 * @returns the version of the next build
 */
export function makeNextBuild(from: string, into: string): string {
	rmSync(into, { recursive: true, force: true });
	cpSync(from, into, { recursive: true, filter: (path) => !/\.(br|gz|map)$/.test(path) });
	const texts = readdirSync(into, { recursive: true, encoding: 'utf8' })
		.filter((file) => TEXTS.test(file))
		.map((file) => join(into, file));
	const { version } = JSON.parse(readFileSync(join(into, 'client/_app/version.json'), 'utf8')) as {
		version: string;
	};
	const next = `next-${version}`;
	const chunk = texts.find(
		(file) => file.includes('/immutable/chunks/') && readFileSync(file, 'utf8').includes(version)
	);
	if (chunk === undefined) throw new Error('no chunk of the build bears its version');
	const name = /([^/]+)\.js$/.exec(chunk)?.[1] ?? '';
	for (const file of texts) {
		const text = readFileSync(file, 'utf8');
		const renamed = text.replaceAll(version, next).replaceAll(`${name}.js`, `${name}-next.js`);
		if (renamed !== text) writeFileSync(file, renamed);
	}
	renameSync(chunk, chunk.replace(`${name}.js`, `${name}-next.js`));
	return next;
}
