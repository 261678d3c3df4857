import { instantMs, type Measure } from '$core/logbook';
import { sayDay } from '$core/words';
import type { App } from '$lib/state';
import { logSaying } from '../../parts/acts/notify';

/** Since when a measure is as it is, in words; nothing where nobody ever switched it. */
export function measureSince(app: App, measure: string): string | undefined {
	const entry = app.rigEntries.findLast(
		(one) => !one.void && one.kind === 'measure' && one.measure === measure && instantMs(one.at) <= app.nowMs
	);
	return entry && sayDay(instantMs(entry.at), app.nowMs, app.timeZone);
}

/** Switches a measure from now on. It can be undone. */
export const switchMeasure = (app: App, { id, name }: Measure, on: boolean): Promise<boolean> =>
	logSaying(
		app,
		[{ kind: 'measure', measure: id, on, source: 'hand', ...app.nowOnTrip() }],
		`${name}: ${on ? 'on' : 'off'}`
	);
