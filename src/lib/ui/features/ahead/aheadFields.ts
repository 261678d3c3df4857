import type { Ahead, Habit, Rig } from '$core/logbook';
import { usualValves } from '$core/rig';
import { dayPlus, zonedIso, zonedMs } from '$core/time';

/** What may be unlike other days, as it is chosen in a form. */
export interface Unlike {
	/** `people`, `away`, `mains`, `both`, or the id of a habit behind `habit:` */
	readonly what: string;
	/** people aboard, or times a day */
	readonly count: number | undefined;
	readonly from: string;
	readonly to: string;
}

const OF_HABIT = 'habit:';

/** What can be chosen: people, nobody, hook-ups, and each habit. */
export const choicesOf = (
	habits: readonly Habit[]
): readonly { readonly value: string; readonly label: string }[] => [
	{ value: 'people', label: 'people aboard' },
	{ value: 'away', label: 'nobody aboard' },
	{ value: 'mains', label: 'hooked up to mains water' },
	{ value: 'both', label: 'hooked up to mains water and a sewer' },
	...habits
		.filter(({ retired }) => !retired)
		.map(({ id, name }) => ({ value: `${OF_HABIT}${id}`, label: `${name}, times a day` }))
];

/** Whether a number belongs to it. */
export const asksCount = (what: string): boolean => what === 'people' || what.startsWith(OF_HABIT);

/** Why it cannot be so; nothing when it can. */
export function problemOf({ what, count, from, to }: Unlike): string | undefined {
	if (from === '' || to === '') return 'Choose the first and the last day.';
	if (to < from) return 'The last day must not be before the first.';
	if (asksCount(what) && !(count !== undefined && count >= 0 && count <= 1000))
		return what === 'people'
			? 'Enter how many are aboard, for example 4.'
			: 'Enter how many times a day, for example 1.';
	return undefined;
}

/** The days as they are kept: from the beginning of the first one, or now, to the end of the last one. */
export function aheadOf(
	{ what, count = 0, from, to }: Unlike,
	id: string,
	nowMs: number,
	timeZone: string,
	rig: Pick<Rig, 'tanks'>
): Ahead {
	const fromMs = Math.max(nowMs, zonedMs(from, timeZone));
	const days = {
		id,
		from: zonedIso(fromMs, timeZone),
		to: zonedIso(zonedMs(dayPlus(to, 1), timeZone), timeZone)
	};
	if (what === 'people') return { ...days, persons: count };
	if (what === 'away') return { ...days, away: true };
	if (what === 'mains' || what === 'both')
		return { ...days, hookup: what === 'both' ? { mains: true, sewer: usualValves(rig) } : { mains: true } };
	return { ...days, habits: [{ habit: what.slice(OF_HABIT.length), times: count }] };
}
