import type { Rig } from '$core/logbook';
import type { App } from '$lib/state';

/** What makes a new log worth more: the meter one owns, how one dumps, where one goes. */
export type NextStep = 'meter' | 'dump' | 'stay';

/** What is known of a rig beside its records, to tell what is still worth doing. */
export interface DoneSoFar {
	readonly rig: Rig;
	readonly hasTrip: boolean;
	readonly hasGoal: boolean;
	/** said to be done, or waved away */
	readonly waved: readonly string[];
}

/** What is worth doing next; each is gone once it is done or waved away. */
export function nextSteps({ rig, hasTrip, hasGoal, waved }: DoneSoFar): readonly NextStep[] {
	const steps: readonly (readonly [NextStep, boolean])[] = [
		['meter', rig.instruments.every(({ kind }) => kind !== 'meter')],
		[
			'dump',
			rig.tanks.some(({ holds, portable }) => holds !== 'fresh' && portable !== true) &&
				rig.containers.every(({ carries }) => carries === 'fresh')
		],
		['stay', !hasTrip && !hasGoal]
	];
	return steps.flatMap(([step, open]) => (open && !waved.includes(step) ? [step] : []));
}

/** A line to try, of this rig's own habits. */
export function sampleLine({ habits }: Rig): string | undefined {
	const [first, second] = habits.map(({ name }) => name.toLowerCase());
	if (first === undefined) return undefined;
	return second === undefined ? first : `${first} and ${second}`;
}

/** Notes that a step is done or not wanted. */
export const waveAway = (app: App, rig: string, step: NextStep): Promise<void> =>
	app.choose(({ waved = {} }) => ({
		waved: { ...waved, [rig]: [...new Set([...(waved[rig] ?? []), step])] }
	}));
