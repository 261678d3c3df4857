import { expect, it } from 'vitest';
import type { Trial } from '$core/logbook';
import { withCurve, withTank, withTrials } from '$core/rig';
import { entry } from '../../../../../../tests/helpers/logbooks';
import { begun } from '../../../../../../tests/helpers/tab';
import { Proposals } from './proposals.svelte';

const trial = (id: string): Trial => ({
	id,
	at: '2027-04-01T08:00:00Z',
	kind: 'run-dry',
	litres: 96,
	used: true
});
const usable = (litres: number) => (rig: Parameters<typeof withTank>[0]) =>
	withTank(rig, 'main', { usableL: litres });

async function proposing() {
	const { app } = await begun();
	const rig = () => app.records.rigs.find(({ id }) => id === 'rig');
	return { app, proposals: new Proposals(app), rig };
}

it('two changes at once both stand', async () => {
	const { proposals, rig } = await proposing();
	await Promise.all(
		['a', 'b'].map((id) =>
			proposals.put('rig', (now) => withTrials(now, 'main', (list) => [...list, trial(id)]), 'trial kept')
		)
	);
	expect(rig()?.tanks[0]?.trials?.map(({ id }) => id)).toEqual(['a', 'b']);
	expect(proposals.held).toBeUndefined();
});

it('one that makes stored entries unlikely is held until it is insisted on', async () => {
	const { app, proposals, rig } = await proposing();
	await app.commands.put(
		[{ kind: 'entry', value: entry({ kind: 'fill', at: '2027-05-01T07:00:00Z', tank: 'main', litres: 90 }) }],
		'fill'
	);
	await proposals.put('rig', usable(50), 'smaller');
	expect(proposals.held?.impacts).toMatchObject([{ kind: 'fill-over', tank: 'main' }]);
	expect(rig()?.tanks[0]?.usableL).toBe(100);
	proposals.leave();
	await proposals.insist('rig');
	expect(rig()?.tanks[0]?.usableL).toBe(100);
	await proposals.put('rig', usable(50), 'smaller');
	await proposals.insist('rig');
	expect(rig()?.tanks[0]?.usableL).toBe(50);
});

it('one that stored entries could not be read with is not done, insist as one may', async () => {
	const { app, proposals, rig } = await proposing();
	await app.commands.put(
		[
			{
				kind: 'entry',
				value: entry({ kind: 'reading', at: '2027-05-01T07:00:00Z', instrument: 'lights', value: 'full' })
			}
		],
		'read'
	);
	const before = rig();
	await proposals.put(
		'rig',
		(now) =>
			withCurve(now, 'lights', [
				{ reads: 'empty', litres: 0 },
				{ reads: '1/3', litres: 30 }
			]),
		'two lights'
	);
	expect(proposals.held?.problems).toHaveLength(1);
	await proposals.insist('rig');
	expect(rig()).toEqual(before);
});

it('a change of a rig that is gone does nothing', async () => {
	const { proposals } = await proposing();
	await proposals.put('gone', usable(1), 'nothing');
	expect(proposals.held).toBeUndefined();
});
