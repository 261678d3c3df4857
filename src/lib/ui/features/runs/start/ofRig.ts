import type { Rig } from '$core/logbook';
import type { App } from '$lib/state';

/** What else is aboard of the payload, kg: as the rig says, else as was said on this device before rigs could. */
export const elseOf = (app: App, rig: Rig): number | undefined =>
	rig.elseKg ?? app.prefs.current.otherKg?.[rig.id];

/** Keeps that with the rig, so that plans heed it. */
export const keepElse = (app: App, rig: string, elseKg: number | undefined): Promise<boolean> =>
	app.commands.change(
		'rig',
		rig,
		({ elseKg: _before, ...newest }) => (elseKg === undefined ? newest : { ...newest, elseKg }),
		'People, food and gear aboard'
	);

/** A figure that is said once of a rig and kept on this device: its waste hose, m. */
export const keepOfRig = (app: App, figure: 'hoseM', rig: string, value: number | undefined): Promise<void> =>
	app.choose(({ [figure]: before = {} }) => {
		const { [rig]: _gone, ...others } = before;
		return { [figure]: value === undefined ? others : { ...others, [rig]: value } };
	});
