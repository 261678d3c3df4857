import { HOUR_MS } from '../time/index.js';
import { describe, expect, it } from 'vitest';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from '../../../tests/helpers/logbooks.js';
import { instantMs, type Entry, type Rig } from '../logbook/index.js';
import { estimate, modelOf, Replay, smoothedPast } from './index.js';

const START = Date.parse('2027-05-01T06:00:00Z');
const at = (hours: number): string => new Date(START + hours * HOUR_MS).toISOString();
const rig: Rig = { ...exactRig, unlogged: undefined };
/** Three uses and a look a day, served every second day. */
const log = (days: number): readonly Entry[] => [
	...freshStart(),
	...Array.from({ length: days }, (_, day): readonly Entry[] => [
		...(day % 2 === 1
			? [
					entry({ kind: 'fill', at: at(24 * day + 1), tank: 'main', to: 'full' }),
					entry({ kind: 'dump', at: at(24 * day + 1), tank: 'grey', to: 'empty' })
				]
			: []),
		entry({ kind: 'use', at: at(24 * day + 3), habit: 'flush', times: 1 }),
		entry({ kind: 'use', at: at(24 * day + 6), habit: 'dishes', times: 1 }),
		entry({ kind: 'reading', at: at(24 * day + 9), instrument: 'lights', value: 'empty' }),
		entry({ kind: 'use', at: at(24 * day + 12), habit: 'shower', times: 1 })
	]).flat()
];
const whole = log(200);
const endMs = instantMs(whole.at(-1)?.at ?? '') + HOUR_MS;
const model = modelOf(rig, [exactTrip], whole);
const beliefOf = (entries: readonly Entry[]) =>
	estimate(logbookOf(entries, rig, [exactTrip]), 'rig', endMs).belief;

describe('a replay that remembers', () => {
	it('takes a correction in the middle as a whole replay does', () => {
		const replay = new Replay(model);
		replay.to(whole, endMs);
		const corrected = whole.map((one, i) => (i === 700 && one.kind === 'use' ? { ...one, times: 3 } : one));
		expect(corrected[700]).not.toEqual(whole[700]);
		expect(replay.to(corrected, endMs).belief).toEqual(beliefOf(corrected));
		expect(replay.to(whole, endMs).belief).toEqual(beliefOf(whole));
	});
	it('a look into the past begins at a checkpoint and leaves the way to now where it is', () => {
		const replay = new Replay(model);
		const now = replay.to(whole, endMs);
		const thenMs = START + 120 * 24 * HOUR_MS;
		const known = whole.filter((one) => instantMs(one.at) <= thenMs);
		const then = replay.branch(known.length).to(known, thenMs);
		expect(then.belief).toEqual(estimate(logbookOf(whole, rig, [exactTrip]), 'rig', thenMs).belief);
		expect(then.checkpoints.at(-1)?.count).toBe(500);
		const before = JSON.stringify([...now.belief.mean]);
		const past = smoothedPast(now, endMs - 3 * 24 * HOUR_MS);
		expect(past[0]?.levels.length).toBeGreaterThan(20);
		expect(JSON.stringify([...now.belief.mean])).toBe(before);
		expect(replay.to(whole, endMs).belief).toEqual(now.belief);
	});
	it('a gauge that lies now is left out of the last months, and what was before them is kept', () => {
		const stuck = Array.from({ length: 5 }, (_, i) =>
			entry({ kind: 'reading', at: at(24 * (200 + i)), instrument: 'lights', value: 'full' })
		);
		const dumps = Array.from({ length: 5 }, (_, i) =>
			entry({ kind: 'dump', at: at(24 * (200 + i) - 1), tank: 'grey', to: 'empty' })
		);
		const lied = [...whole, ...stuck, ...dumps].sort((a, b) => instantMs(a.at) - instantMs(b.at));
		const then = new Replay(modelOf(rig, [exactTrip], lied)).to(lied, START + 205 * 24 * HOUR_MS);
		expect([...then.failing]).toEqual(['lights']);
		// the pass without it begins at a checkpoint, not at the first entry
		expect(then.checkpoints[0]?.count).toBe(500);
	});
});
