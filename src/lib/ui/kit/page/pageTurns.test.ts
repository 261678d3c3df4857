import { expect, it, vi } from 'vitest';
import { waitForTurn } from './pageTurns';

it('parts of a page are made one a frame, from the top: what is in a part before what follows it', () => {
	vi.useFakeTimers();
	try {
		vi.stubGlobal('requestAnimationFrame', (does: () => void) => setTimeout(does, 16));
		const made: string[] = [];
		const part = (name: string, within: readonly string[] = []) =>
			waitForTurn(() => {
				made.push(name);
				within.forEach((one) => part(one));
			});
		part('head');
		part('list', ['first row', 'second row']);
		const leave = part('never seen');
		part('end');
		expect(made).toEqual([]);
		vi.advanceTimersByTime(17);
		expect(made).toEqual(['head']);
		leave();
		vi.runAllTimers();
		expect(made).toEqual(['head', 'list', 'first row', 'second row', 'end']);
		// Once all stands, what comes later has its turn too.
		part('late');
		vi.runAllTimers();
		expect(made.at(-1)).toBe('late');
	} finally {
		vi.unstubAllGlobals();
		vi.useRealTimers();
	}
});
