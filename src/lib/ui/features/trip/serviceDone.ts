import type { EntryDraft, Trip } from '$core/logbook';
import type { PlannedService } from '$core/plan';
import { isCarried } from '$core/rig';
import type { App } from '$lib/state';
import { notifyDone } from '../../parts/acts/notify';

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
	if (kept) notifyDone(app, `${label}: written down`);
}

/** The runs that do what is planned at a stop, by their addresses. */
export function runsFor(
	stop: string,
	services: readonly PlannedService[]
): readonly { readonly name: string; readonly href: string }[] {
	const dumps = [...new Set(services.flatMap(({ dump = [] }) => dump))];
	const at = (more: readonly (readonly [string, string])[]): string =>
		new URLSearchParams([['stop', stop], ...more.map(([key, value]) => [key, value])]).toString();
	return [
		...(services.some(({ water }) => water) ? [{ name: 'Fill', href: `/run/fill?plan&${at([])}` }] : []),
		...(dumps.length > 0
			? [{ name: 'Dump', href: `/run/dump?${at(dumps.map((id) => ['tank', id] as const))}` }]
			: [])
	];
}
