import { listen } from '$core/listen';
import { instantMs, type Meter } from '$core/logbook';
import { DAY_MS } from '$core/time';
import { expect, it } from 'vitest';
import { demoLogbook } from '../../../demo';
import { simulatedDay } from './simulatedRig';

it('lives the day that the log has: its readings are shown, its uses heard and joined, and a tap drips', () => {
	const toMs = Date.parse('2026-06-16T09:40:00Z');
	const timeZone = 'Europe/London';
	const logbook = demoLogbook(toMs, timeZone);
	const rig = logbook.rigs.find(({ id }) => id === 'demo-wren');
	const meter = rig?.instruments.find((one): one is Meter => one.kind === 'meter');
	if (!rig || !meter) throw new Error('the demo has a van with a meter');
	const entries = logbook.entries.filter((entry) => entry.rig === rig.id && instantMs(entry.at) <= toMs);
	const showings = simulatedDay({ rig, meter, entries, toMs, timeZone, seed: 1 });
	expect(simulatedDay({ rig, meter, entries, toMs, timeZone, seed: 1 })).toEqual(showings);
	const read = entries.flatMap((entry) =>
		entry.kind === 'reading' &&
		entry.instrument === meter.id &&
		instantMs(entry.at) > toMs - DAY_MS &&
		typeof entry.value === 'number'
			? [[instantMs(entry.at), entry.value] as const]
			: []
	);
	for (const [ms, value] of read)
		expect(showings.findLast(([at]) => at <= ms)?.[1], new Date(ms).toISOString()).toBeCloseTo(value, 0);
	expect(showings.every(([, shows], i) => shows >= (showings[i - 1]?.[1] ?? 0))).toBe(true);
	const { uses, leaks } = listen({ rig, meter, entries, showings, atMs: toMs, timeZone });
	expect(uses.length).toBeGreaterThan(12);
	expect(uses.filter(({ told }) => told !== undefined).length).toBeGreaterThan(5);
	expect(leaks.length).toBeGreaterThan(0);
});
