import { bench, describe } from 'vitest';
import { parseLogbook, type Shape } from '../src/core/logbook';
import { understand } from '../src/core/quickline';
import { IN_THE_VAN, VAN } from '../src/core/quickline/sentences.fixture';
import { dipTable } from '../src/core/rig/tanks';
import { logbookOf } from '../tests/helpers/logbooks';

const LINES = [
	...IN_THE_VAN.map(([line]) => line),
	'xyzzy '.repeat(60),
	'🚿'.repeat(200),
	'a, b, c, d, e, f, g, h'
];
/** A star of 40 corners. */
const STAR: Shape = {
	form: 'prism',
	lengthMm: 900,
	outline: Array.from({ length: 40 }, (_, i): [number, number] => {
		const angle = (2 * Math.PI * i) / 40;
		return [300 * Math.cos(angle), 200 + (i % 2 ? 200 : 170) * Math.sin(angle)];
	})
};
const FAULTY = {
	...logbookOf([]),
	entries: Array.from({ length: 150_000 }, (_, i) => ({ id: `e${i}`, kind: 'fill' }))
};

describe('what is typed and opened', () => {
	bench(`${LINES.length} lines understood (must be under ${5 * LINES.length} ms)`, () => {
		for (const line of LINES) understand(line, VAN);
	});
	bench('200 rows of the dip table of a leaning prism of 40 corners (must be under 30 ms)', () => {
		dipTable(STAR, 2, { lean: { rollDeg: 3, pitchDeg: 2 } });
	});
	bench(
		'a file of 150 000 faulty entries refused (must be under 5 s)',
		() => {
			parseLogbook(FAULTY);
		},
		{ iterations: 2, warmupIterations: 1 }
	);
});
