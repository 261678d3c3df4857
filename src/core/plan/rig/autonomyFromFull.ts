import { estimate } from '../../estimate/index.js';
import { forecast, type Forecast } from '../../forecast/index.js';
import type { Entry, Logbook, Rig } from '../../logbook/index.js';
import { fullLoad, isCarried, tanksTouched, usableOf, weightOf } from '../../rig/index.js';

/** How far a rig set out full reaches, looked at this many days ahead. */
export const SETTING_OUT_DAYS = 60;

/** A rig set out with full fresh tanks and empty waste tanks, living as its log has taught. */
export interface AutonomyFromFull {
	readonly autonomyDays: Forecast['autonomyDays'];
	/** the tank that most often binds first */
	readonly binds?: string;
	readonly freshL: number;
	/** what its tanks weigh when everything is full */
	readonly fullKg: number;
}

/**
 * Sets a rig out full: the log up to a moment teaches its habits, then every fresh tank is full and every waste
 * tank empty.
 *
 * @param rig a rig of the logbook, perhaps changed; entries that name what it no longer has are left out
 * @param home the zone of the rig's person; the rig's own when absent
 * @throws RangeError when the logbook has no rig of that id
 */
export function autonomyFromFull(
	logbook: Logbook,
	rig: Rig,
	atMs: number,
	home?: string,
	paths = 1000
): AutonomyFromFull {
	const at = new Date(atMs).toISOString();
	const tanks = new Set(rig.tanks.map(({ id }) => id));
	const begin = rig.tanks.map((tank, i): Entry => {
		const common = { id: `~~set-out-${String(i).padStart(4, '0')}`, rig: rig.id, at };
		return tank.holds === 'fresh'
			? { ...common, kind: 'mark', tank: tank.id, state: 'full' }
			: { ...common, kind: 'dump', tank: tank.id, to: 'empty' };
	});
	const entries = logbook.entries.filter((entry) => tanksTouched(rig, entry).every((id) => tanks.has(id)));
	const changed: Logbook = {
		...logbook,
		rigs: logbook.rigs.map((one) => (one.id === rig.id ? rig : one)),
		entries: [...entries, ...begin]
	};
	const ahead = forecast(estimate(changed, rig.id, atMs, home === undefined ? {} : { home }), {
		days: SETTING_OUT_DAYS,
		paths
	});
	const first = ahead.binding[0]?.tank;
	return {
		autonomyDays: ahead.autonomyDays,
		...(first === undefined ? {} : { binds: first }),
		freshL: rig.tanks
			.filter((tank) => tank.holds === 'fresh' && !isCarried(rig, tank))
			.reduce((sum, tank) => sum + usableOf(tank), 0),
		fullKg: weightOf(rig, fullLoad(rig)).totalKg
	};
}
