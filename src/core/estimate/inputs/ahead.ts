import { instantMs, type Ahead, type Entry, type Rig } from '../../logbook/index.js';
import { DAY_MS } from '../../time/index.js';

/** What is said of a habit for some days: so often a day, in all, or so many times as often as usual. */
export type SaidOften = { readonly timesPerDay: number } | { readonly factor: number };

/** Days unlike others, by their instants, ms. */
interface Window {
	readonly fromMs: number;
	readonly toMs: number;
	readonly ahead: Ahead;
}

/** The days unlike others that a rig has in store, or had, as they begin. */
export const windowsOf = ({ ahead = [] }: Rig): readonly Window[] =>
	ahead
		.map((one) => ({ fromMs: instantMs(one.from), toMs: instantMs(one.to), ahead: one }))
		.sort((a, b) => a.fromMs - b.fromMs);

/** The moments at which something that was said begins or is over. */
export const aheadCuts = (rig: Rig): readonly { readonly ms: number }[] =>
	windowsOf(rig).flatMap(({ fromMs, toMs }) => [{ ms: fromMs }, { ms: toMs }]);

/** Who is aboard by what was said: nobody while away. Nothing where it speaks only of habits or hook-ups. */
export const personsSaid = ({ persons, away }: Ahead): number | undefined => (away ? 0 : persons);

/**
 * What is said of each habit at an instant; of two that speak of one habit the later one counts.
 *
 * @param entries what is written down: times that are said and done already are not still to come
 */
export function saidAt(rig: Rig, ms: number, entries: readonly Entry[] = []): ReadonlyMap<string, SaidOften> {
	const said = new Map<string, SaidOften>();
	for (const { fromMs, toMs, ahead } of windowsOf(rig)) {
		if (ms < fromMs || ms >= toMs) continue;
		for (const one of ahead.habits ?? []) {
			if ('times' in one) said.set(one.habit, { timesPerDay: toCome(one, { fromMs, toMs }, ms, entries) });
			else said.set(one.habit, { factor: one.factor });
		}
	}
	return said;
}

/** How often a day something is still to be done that is said to be done so often a day, in days of which some have passed. */
function toCome(
	{ habit, times }: { readonly habit: string; readonly times: number },
	{ fromMs, toMs }: Pick<Window, 'fromMs' | 'toMs'>,
	ms: number,
	entries: readonly Entry[]
): number {
	// What is said of less than a day is said of that once: laundry at noon.
	const whole = times * Math.max(1, (toMs - fromMs) / DAY_MS);
	const written = entries.reduce((sum, entry) => {
		const at = instantMs(entry.at);
		return entry.kind === 'use' && entry.habit === habit && at >= fromMs && at < toMs
			? sum + entry.times
			: sum;
	}, 0);
	const fromNowMs = Math.max(ms, fromMs);
	return Math.max(0, (whole - written) * (DAY_MS / (toMs - fromNowMs)));
}
