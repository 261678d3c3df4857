import type { EntryDraft, Trip } from '$core/logbook';
import type { PlannedService } from '$core/plan';
import { plannedFills } from '$core/runs';
import type { App } from '$lib/state';
import { notifyDone } from '../../parts/acts/notify';

/** Litres believed in each tank now. */
const levelsNow = (app: App): ReadonlyMap<string, number> =>
	new Map(app.engine.assessment?.levels.tanks.map(({ id, litres }) => [id, litres]));

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
	const { water, dump = [] } = service;
	const fills = water
		? plannedFills(rig, water, levelsNow(app)).map((fill): EntryDraft => ({
				kind: 'fill',
				...fill,
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
	if (kept) notifyDone(app, `${label}: logged`);
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
