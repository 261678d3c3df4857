import { describe, expect, it } from 'vitest';
import { askEndpoint, type Answer } from '../../../tests/helpers/endpoint';
import { logbookOf } from '../../../tests/helpers/logbooks';
import { MORNING, rig, showingsOf, START, written } from '../../core/listen/heard.fixture';
import { POST } from '../../routes/api/listen/+server';

const iso = (ms: number): string => new Date(ms).toISOString();
const samples = showingsOf(MORNING, 10_000).map(([ms, shows]) => [iso(ms), shows]);
const at = iso(START + 10_000_000);
const logbook = { ...logbookOf([], rig, []), entries: [written('a', 4200, 'dishes')] };
const listen = (more: object = {}): Promise<Answer> =>
	askEndpoint(POST, { logbook, rig: 'r', at, meter: 'm', samples, ...more });

describe('POST /api/listen', () => {
	it('uses with the habits they may be, by instants, litres and chances that add to no more than 1', async () => {
		const { uses, leaks } = await listen();
		expect(leaks).toEqual([]);
		expect(uses).toMatchObject([
			{ from: iso(START + 100_000), to: iso(START + 230_000), choices: [{ habit: 'shower', times: 1 }] },
			{ choices: [{ habit: 'dishes' }] },
			{ choices: [{ habit: 'hands' }] }
		]);
		expect(uses[0].litres).toBeCloseTo(8, 1);
		for (const { choices } of uses as { choices: { chance: number }[] }[])
			expect(choices.reduce((sum, { chance }) => sum + chance, 0)).toBeLessThanOrEqual(1);
	});
	it('only what ended after `from`, nothing after `at`, and drips', async () => {
		const { uses } = await listen({ from: iso(START + 3_000_000), at: iso(START + 5_000_000) });
		expect(uses).toHaveLength(1);
		const day = 86_400;
		const drips = showingsOf(MORNING, day, { dripLph: 0.25 }).map(([ms, shows]) => [iso(ms), shows]);
		const { leaks } = await listen({ samples: drips, at: iso(START + day * 1000) });
		expect(leaks).toHaveLength(1);
		expect(leaks[0].litresPerHour).toBeCloseTo(0.25, 1);
	});
	it('nothing in no samples, also of a rig without habits', async () => {
		const empty = { uses: [], leaks: [] };
		expect(await listen({ samples: [] })).toMatchObject(empty);
		expect(await listen({ samples: samples.slice(0, 1) })).toMatchObject(empty);
		const bare = { ...logbookOf([], { ...rig, habits: [] }, []) };
		const { uses } = await listen({ logbook: bare });
		expect(uses.map(({ choices }: Answer) => choices)).toEqual([[], [], []]);
	});
	it('says where a body is wrong, and which meters are listened to', async () => {
		const pathsOf = async (more: object): Promise<readonly string[]> =>
			(await listen(more)).errors.map(({ path }: { path: string }) => path);
		expect(
			await pathsOf({
				samples: [
					[at, 1],
					['yesterday', 2]
				]
			})
		).toEqual(['$.samples[1][0]']);
		expect(await pathsOf({ samples: [[at, -1]] })).toEqual(['$.samples[0][1]']);
		expect(await pathsOf({ meter: 'x' })).toEqual(['$.meter']);
		expect(await pathsOf({ rig: 'x' })).toEqual(['$.rig']);
		const hose = { ...rig, instruments: [{ ...rig.instruments[0], place: 'fill' }] };
		const onHose = await listen({ logbook: { ...logbookOf([]), trips: [], rigs: [hose] } });
		expect([onHose.status, onHose.errors[0].path]).toEqual([422, '$.meter']);
		expect(onHose.errors[0].expected).toContain('at the pump or the mains');
	});
});
