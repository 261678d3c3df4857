import type { App } from '$lib/state';
import type { TypedNight } from '$core/care';
import { DAY_MS } from '$core/time';

/** So long a night that was typed counts, ms. */
const COUNTS_MS = 2 * DAY_MS;

/** The cold night that was typed for the rig in view, while it counts. */
export function coldNight(app: App): TypedNight | undefined {
	const typed = app.prefs.current.coldNight?.[app.rig?.id ?? ''];
	return typed && typed.untilMs > app.nowMs ? typed : undefined;
}

/** Keeps a cold night for two days, or takes it back. */
export const keepColdNight = (app: App, night: TypedNight | undefined): Promise<void> =>
	app.choose(({ coldNight: before = {} }) => {
		const id = app.rig?.id ?? '';
		const { [id]: _gone, ...others } = before;
		return {
			coldNight: night ? { ...others, [id]: { ...night, untilMs: app.nowMs + COUNTS_MS } } : others
		};
	});
