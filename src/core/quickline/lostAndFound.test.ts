import { describe, expect, it } from 'vitest';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from '../../../tests/helpers/logbooks.js';
import { estimate, readLevels } from '../estimate/index.js';
import { forecast } from '../forecast/index.js';
import { parseLogbook, type Entry, type Rig } from '../logbook/index.js';
import { besideFlows, reviewOf } from '../review/index.js';
import { isLoss } from '../rig/index.js';
import { METRIC } from '../units/index.js';
import { sayBeside } from '../words/index.js';
import { understand, withAll } from './index.js';

const [MORNING, NOON] = [Date.parse('2027-05-01T06:00:00Z'), Date.parse('2027-05-01T12:00:00Z')];

/** A rig and its log once lines have been entered at noon, one after the other, with all that they put into the rig. */
function entered(...lines: readonly string[]): { readonly rig: Rig; readonly entries: readonly Entry[] } {
	let rig: Rig = exactRig;
	const entries: Entry[] = [...freshStart()];
	for (const line of lines) {
		const answer = understand(line, {
			rig,
			trip: exactTrip,
			nowMs: NOON,
			timeZone: 'Etc/UTC',
			units: METRIC
		});
		const [match] = answer.kind === 'understood' ? answer.matches : [];
		if (!match) throw new Error(`${line} was not understood`);
		rig = withAll(rig, match);
		entries.push(...match.drafts.map((draft) => entry(draft)));
	}
	return { rig, entries };
}
const litresIn = ({ rig, entries }: ReturnType<typeof entered>, tank: string): number => {
	const { tanks } = readLevels(estimate(logbookOf(entries, rig), 'rig', NOON));
	return tanks.find(({ id }) => id === tank)?.litres ?? NaN;
};

describe('water that was lost, and water that was found', () => {
	it.each(['gave away 5 L', 'spilled 5 L', 'leak 5 L', 'tipped out 5 litres'])(
		'%s: Main has 5 L less, and nothing has run into any other tank',
		(line) => {
			const before = entered('note nothing yet');
			const after = entered(line);
			expect(parseLogbook(logbookOf(after.entries, after.rig, [exactTrip]))).toMatchObject({ ok: true });
			expect(litresIn(before, 'main') - litresIn(after, 'main')).toBeCloseTo(5, 0);
			for (const tank of ['grey', 'black'])
				expect(litresIn(after, tank)).toBeCloseTo(litresIn(before, tank), 6);
		}
	);
	it('the second time the habit and its outlet are there already', () => {
		const twice = entered('spilled 3 L', 'spilled 4 L');
		expect(twice.rig.habits).toHaveLength(exactRig.habits.length + 1);
		expect(twice.rig.outlets).toHaveLength(exactRig.outlets.length + 1);
		expect(twice.rig.habits.filter((habit) => isLoss(twice.rig, habit))).toMatchObject([{ name: 'Spilled' }]);
	});
	it('no forecast expects that it happens again', () => {
		const days = ({ rig, entries }: ReturnType<typeof entered>): readonly number[] =>
			forecast(estimate(logbookOf(entries, rig), 'rig', NOON), { days: 10, paths: 50 }).tanks.map(
				({ days: { p50 } }) => p50
			);
		const [main, grey, black] = days(entered('gave away 5 L', 'dishes'));
		const [was, greyWas, blackWas] = days(entered('dishes'));
		// 24 L a day, exactly: five litres are so much of one.
		expect((was ?? 0) - (main ?? 0)).toBeCloseTo(5 / 24, 1);
		expect([grey, black]).toEqual([greyWas, blackWas]);
	});
	it('the account of a review says what came in and what went out, and balances', () => {
		const { rig, entries } = entered('gave away 5 L', 'gave away 7 L', 'spilled 3 L', 'bought 6 L');
		const flows = besideFlows(rig, entries, MORNING, NOON);
		expect(sayBeside(flows, METRIC)).toBe(
			'Came in: 6\u00a0L from Bought water. Went out: 12\u00a0L given away and 3\u00a0L spilled.'
		);
		const review = reviewOf(estimate(logbookOf(entries, rig), 'rig', NOON), {
			fromMs: MORNING,
			timeZone: 'Etc/UTC'
		});
		for (const { start, in: came, out, end } of review.tanks) expect(start + came - out).toBeCloseTo(end, 6);
		expect(sayBeside(besideFlows(rig, entries, NOON + 1, NOON + 2), METRIC)).toBe('');
	});
});
