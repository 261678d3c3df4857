import type { App } from '$lib/state';

/** A figure that is said once of a rig and kept on this device: what else is aboard of its payload, kg; its waste hose, m. */
export const keepOfRig = (
	app: App,
	figure: 'otherKg' | 'hoseM',
	rig: string,
	value: number | undefined
): Promise<void> =>
	app.choose(({ [figure]: before = {} }) => {
		const { [rig]: _gone, ...others } = before;
		return { [figure]: value === undefined ? others : { ...others, [rig]: value } };
	});
