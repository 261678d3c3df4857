import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, normalize, relative, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';

const CORE = dirname(fileURLToPath(import.meta.url));
const files = readdirSync(CORE, { recursive: true, encoding: 'utf8' }).filter(
	(file) => file.endsWith('.ts') && !file.endsWith('.test.ts')
);
/** What each file of the core imports from the core, types included. */
const imports = new Map(
	files.map((file) => [
		normalize(file),
		[...readFileSync(join(CORE, file), 'utf8').matchAll(/from '(\.[^']+)\.js'/g)].map(([, to = '']) =>
			relative(CORE, resolve(CORE, dirname(file), `${to}.ts`))
		)
	])
);

describe('the house', () => {
	it('has no circle between files', () => {
		const done = new Set<string>();
		function circleFrom(file: string, way: readonly string[]): readonly string[] | undefined {
			if (way.includes(file)) return [...way.slice(way.indexOf(file)), file];
			if (done.has(file)) return undefined;
			for (const next of imports.get(file) ?? []) {
				const circle = circleFrom(next, [...way, file]);
				if (circle) return circle;
			}
			done.add(file);
			return undefined;
		}
		expect(files.map((file) => circleFrom(normalize(file), [])).filter(Boolean)).toEqual([]);
	});
	it('has rooms in the estimate that are entered by their doors, and look one way', () => {
		const order = ['inputs', 'model', 'filter', 'gating', 'smoothing'];
		const roomOf = (file: string): string | undefined => /^estimate\/(\w+)\//.exec(file)?.[1];
		for (const [file, targets] of imports)
			for (const to of targets) {
				const [from, into] = [roomOf(file), roomOf(to)];
				if (into === undefined || from === into) continue;
				expect(to, file).toBe(`estimate/${into}/index.ts`);
				if (from !== undefined)
					expect(order.indexOf(into), `${file} → ${to}`).toBeLessThan(order.indexOf(from));
			}
	});
});
