import type { EntryDraft, Trip } from '$core/logbook';
import type { PlannedService } from '$core/plan';
import { isCarried } from '$core/rig';
import type { App } from '$lib/state';
import { sayDone } from '../shell/saying';

/** A planned service that is done: its entries, one for each tank, written now. */
export async function logService(
	app: App,
	trip: Trip,
	service: PlannedService,
	label: string
): Promise<void> {
	const rig = app.liveRig;
	if (!rig) return;
	const { point } = trip.stops.find(({ id }) => id === service.stop) ?? {};
	const common = { source: 'hand', ...app.nowOnTrip() } as const;
	const fresh = rig.tanks.filter((tank) => tank.holds === 'fresh' && !isCarried(rig, tank));
	const { water, dump = [] } = service;
	const fills = water
		? fresh.map(({ id }): EntryDraft => ({
				kind: 'fill',
				tank: id,
				...(water.to ? { to: 'full' } : { litres: Number((water.litres / fresh.length).toFixed(1)) }),
				...(point ? { point } : {}),
				...common
			}))
		: [];
	const dumps = dump.map((tank): EntryDraft => ({
		kind: 'dump',
		tank,
		to: 'empty',
		...(point ? { where: point } : {}),
		...common
	}));
	const entries = [...fills, ...dumps].map((draft) => app.commands.entryFrom(draft));
	const kept = await app.commands.put(
		entries.map((value) => ({ kind: 'entry', value })),
		label
	);
	if (kept) sayDone(app, `${label}: written down`);
}

/** The address of the run that empties some tanks. */
export const dumpRun = (tanks: readonly string[]): string =>
	`/run/dump?${new URLSearchParams(tanks.map((id) => ['tank', id]))}`;
