import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Showing } from '$core/listen';
import { heard, meter, MORNING, rig, showingsOf, START } from '../../core/listen/heard.fixture';
import { memoryPort } from '$lib/store';
import { Listener } from './listener';
import { SampleStore, thinned } from './sampleStore';

const asked = (lastS: number) => ({
	rig,
	meter,
	entries: [],
	atMs: START + lastS * 1000,
	timeZone: 'Etc/UTC'
});
async function listenerOn(port = memoryPort()): Promise<Listener> {
	const listener = new Listener(new SampleStore(port));
	await listener.open('r/m', 14, START);
	return listener;
}
const found = ({ nods }: ReturnType<Listener['hear']>) =>
	nods.map(({ use: { fromMs, litres, choices } }) => [fromMs, litres.toFixed(2), choices[0]?.habit]);

describe('a listener', () => {
	it('hears the same whether samples come at once, lot by lot as they are lived, or again after a reload', async () => {
		const showings = showingsOf(MORNING, 10_000);
		const atOnce = await listenerOn();
		await atOnce.add(showings);
		const port = memoryPort();
		const live = await listenerOn(port);
		for (let s = 0; s < 10_000; s += 500) {
			const [from, to] = [START + s * 1000, START + (s + 500) * 1000];
			await live.add(showings.filter(([ms]) => ms > from - (s === 0 ? 1 : 0) && ms <= to));
			live.hear(asked(s + 500));
		}
		const whole = found(atOnce.hear(asked(10_000)));
		expect(whole).toHaveLength(3);
		expect(found(live.hear(asked(10_000)))).toEqual(whole);
		expect(found((await listenerOn(port)).hear(asked(10_000)))).toEqual(whole);
		expect(whole).toEqual(
			heard(showings, 10_000).uses.map(({ fromMs, litres, choices }) => [
				fromMs,
				litres.toFixed(2),
				choices[0]?.habit
			])
		);
	});
	it('names a use at once, with what it has learned, while it goes on', async () => {
		const listener = await listenerOn();
		const showings = showingsOf(MORNING, 10_000);
		await listener.add(showings.filter(([ms]) => ms <= START + 3000_000));
		listener.hear(asked(3000));
		// Two seconds after the first of four openings for the dishes.
		await listener.add(showings.filter(([ms]) => ms > START + 3000_000 && ms <= START + 4017_000));
		const { nods } = listener.hear(asked(4017));
		expect(nods.map(({ use }) => Math.round(use.litres))).toEqual([8, 1]);
	});
	it('takes a file of an earlier day in between, and forgets what is older than it is kept for', async () => {
		const port = memoryPort();
		const listener = await listenerOn(port);
		const showings = showingsOf(MORNING, 10_000);
		await listener.add(showings);
		const dayBefore = showings.map(([ms, shows]): Showing => [ms - 86_400_000, shows - 12.48]);
		await listener.add(dayBefore);
		expect(listener.hear(asked(10_000)).nods).toHaveLength(6);
		await listener.open('r/m', 2, START + 2.5 * 86_400_000);
		expect(listener.hear(asked(10_000)).nods).toHaveLength(3);
		// Days that go by while it is open are forgotten, too.
		await listener.add([[START + 6 * 86_400_000, 130]]);
		expect(listener.hear(asked(7 * 86_400)).samples).toBe(1);
		await listener.clear();
		expect(await port.entries()).toEqual([]);
		expect(listener.hear(asked(10_000)).nods).toEqual([]);
	});
	it('keeps samples of two meters apart, each as long as it is to be kept, and forgets one alone', async () => {
		const port = memoryPort();
		const listener = await listenerOn(port);
		await listener.add(showingsOf(MORNING, 10_000));
		const later = START + 5 * 86_400_000;
		await listener.open('r/other', 2, later);
		expect(listener.hear(asked(10_000)).samples).toBe(0);
		await listener.add([[later, 1]]);
		await listener.open('r/m', 14, later);
		expect(listener.hear(asked(10_000)).nods).toHaveLength(3);
		await listener.forget();
		expect((await port.entries()).map(([key]) => key.split('|')[0])).toEqual(['r/other']);
	});
	it('takes the steps of a drip that it knows for no uses while it listens live', async () => {
		// A tenth of a litre a step, a litre an hour: a step each six minutes, which alone looks like hands.
		const hours = 12;
		const drips = Array.from({ length: hours * 10 }, (_, i): Showing => [
			START + i * 360_000,
			Number((100 + i / 10).toFixed(1))
		]);
		const showers = [2, 5, 11.2].flatMap((hour) =>
			Array.from({ length: 60 }, (_, s) => (hour * 3600 + s) * 1000)
		);
		const running = drips
			.map(([ms, shows]): Showing => [ms, shows + 0.1 * showers.filter((one) => START + one < ms).length])
			.concat(
				showers.map((one, i): Showing => [
					START + one + 1,
					100 + Math.floor(one / 360_000) / 10 + (i + 1) / 10
				])
			)
			.map(([ms, shows]): Showing => [ms, Math.round(shows * 10) / 10])
			.sort(([a], [b]) => a - b);
		const listener = await listenerOn();
		const until = (hour: number): readonly Showing[] =>
			running.filter(([ms]) => ms <= START + hour * 3_600_000);
		await listener.add(until(11.9));
		const before = listener.hear(asked(11.9 * 3600));
		expect(before.leaks).toHaveLength(1);
		await listener.add(running.slice(until(11.9).length));
		expect(listener.hear(asked(11.99 * 3600)).nods).toHaveLength(before.nods.length);
	});
});

describe('thinning', () => {
	it('loses no litre and no beginning, keeps no more than one a second, and now and then a sign of life', () => {
		const sample = fc.tuple(fc.integer({ min: 0, max: 3_000_000 }), fc.integer({ min: 0, max: 3 }));
		fc.assert(
			fc.property(fc.array(sample, { minLength: 1, maxLength: 60 }), (raw) => {
				let total = 0;
				const samples = raw
					.sort(([a], [b]) => a - b)
					.map(([ms, more]): Showing => [START + ms, (total += more / 100)]);
				const kept = thinned(samples);
				expect(kept[0]).toEqual(samples[0]);
				expect(kept.at(-1)?.[1]).toBe(samples.at(-1)?.[1]);
				expect(kept.every((one) => samples.includes(one))).toBe(true);
				const tooSoon = kept.filter(([ms], i) => i > 0 && ms - (kept[i - 1]?.[0] ?? 0) < 450);
				// Only what a burst of samples came to may follow the one before it so soon.
				expect(tooSoon.length).toBeLessThanOrEqual(kept.length / 2);
			})
		);
		const still = Array.from({ length: 4000 }, (_, s): Showing => [START + s * 1000, 100]);
		expect(thinned(still).map(([ms]) => (ms - START) / 60_000)).toEqual([0, 10, 20, 30, 40, 50, 60]);
		const fast = Array.from({ length: 100 }, (_, i): Showing => [START + i * 100, 100 + i / 100]);
		expect(thinned(fast).length).toBeLessThanOrEqual(12);
	});
});
