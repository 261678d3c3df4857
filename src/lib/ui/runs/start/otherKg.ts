import type { App } from '$lib/state';

/** Keeps what else is aboard of the payload of a rig: people, food, gear, kg. */
export const keepOtherKg = (app: App, rig: string, kg: number | undefined): Promise<void> =>
	app.choose(({ otherKg: before = {} }) => {
		const { [rig]: _gone, ...others } = before;
		return { otherKg: kg === undefined ? others : { ...others, [rig]: kg } };
	});
