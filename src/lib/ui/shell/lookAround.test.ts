import { describe, expect, it } from 'vitest';
import { recordStore } from '$lib/store';
import { engineHere } from '../../../../tests/helpers/engine';
import { browser, tab } from '../../../../tests/helpers/tab';
import { lookAround } from './lookAround';

describe('looking around', () => {
	it('shows the demo before it is stored; what is logged meanwhile is stored with it; nothing is worked out twice', async () => {
		const here = browser();
		const engine = engineHere();
		const app = await tab(here, engine.api);
		let goOn = (): void => undefined;
		void here.ports.turns(() => new Promise<void>((resolve) => (goOn = resolve)));
		const looked = lookAround(app);
		await expect.poll(() => app.engine.assessment?.rig).toBe('demo-wren');
		const { habits = [] } = app.rig ?? {};
		const logged = app.commands.log(
			{ kind: 'use', ...app.nowOnTrip(), habit: habits[0]?.id ?? '', times: 1 },
			'One more'
		);
		expect(app.commands.history.done).toEqual([]);
		expect(engine.asked).toHaveLength(1);
		goOn();
		await looked;
		expect(await logged).toBe(true);
		expect(app.troubles).toEqual([]);
		const stored = await recordStore(here.ports).open();
		if (stored.state !== 'open') throw new Error('not open');
		expect([...stored.records.entry.values()]).toEqual(app.records.entries);
		expect(stored.records.rig.size).toBe(2);
		// For the demo, and for what was logged.
		await expect.poll(() => app.engine.assessment !== undefined && engine.asked.length).toBe(2);
	});
	it('says so where the demo cannot be made', async () => {
		const engine = engineHere();
		const app = await tab(browser(), engine.api);
		engine.fail('no network');
		await lookAround(app);
		expect(app.troubles).toEqual([expect.stringContaining('The demo rigs couldn’t be opened: no network.')]);
		expect(app.phase).toBe('first-run');
	});
});
