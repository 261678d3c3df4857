import { DAY_MS } from '../time/index.js';
import { instantMs, type Entry, type Rig } from '../logbook/index.js';

const MOST = 9;

/** Lines that are likely next: what was done lately, most often first, and then what a rig like this always needs. */
export function likelyNext(rig: Rig, entries: readonly Entry[], nowMs: number): readonly string[] {
	const week = nowMs - 7 * DAY_MS;
	const counts = new Map<string, number>();
	for (const entry of entries)
		if (entry.kind === 'use' && entry.void !== true && instantMs(entry.at) > week)
			counts.set(entry.habit, (counts.get(entry.habit) ?? 0) + 1);
	// What was given away or spilled is not done once more.
	const usual = rig.habits.filter(({ retired, often }) => !retired && often.times > 0);
	const habits = usual
		.toSorted((a, b) => (counts.get(b.id) ?? 0) - (counts.get(a.id) ?? 0))
		.map(({ name }) => name.toLowerCase());
	const waste = rig.tanks
		.filter(({ holds }) => holds !== 'fresh')
		.map(({ name }) => `dump ${name.toLowerCase()}`);
	const meter = rig.instruments.some(({ kind }) => kind === 'meter') ? ['meter'] : [];
	const [dearest] = usual.toSorted((a, b) => b.litresEach.mean - a.litresEach.mean);
	// What can be asked stands among what can be said.
	return [
		...habits.slice(0, 4),
		'how long does it last?',
		'fill full',
		...(dearest === undefined ? [] : [`${dearest.name.toLowerCase()}?`]),
		...meter,
		...waste
	].slice(0, MOST);
}
