import type { Logbook, Rig } from '$core/logbook';
import type { EngineApi } from '$lib/engine';
import { App, Preferences, Presence } from '$lib/state';
import {
	memoryFiles,
	memoryPort,
	queuedTurns,
	recordStore,
	secondCopy,
	type Change,
	type Edit,
	type RecordStore
} from '$lib/store';
import { endsWithTest } from './ofTest';
import { engineHere, type EngineHere } from './engine';
import { exactRig, exactTrip, freshStart, logbookOf } from './logbooks';

/** A second rig beside the exact one. */
export const boat: Rig = { ...exactRig, id: 'boat', name: 'Paper boat', kind: 'boat' };
export const start: Logbook = { ...logbookOf(freshStart(), exactRig, [exactTrip]), rigs: [exactRig, boat] };

/** What a browser keeps: three ports of the store, one writer at a time among all tabs; its second copy; notes. */
export const browser = (records = memoryPort()) => ({
	ports: { records, meta: memoryPort(), aside: memoryPort(), turns: queuedTurns() },
	copy: secondCopy(memoryFiles(), queuedTurns()),
	notes: memoryPort(),
	prefs: memoryPort()
});
export type Browser = ReturnType<typeof browser>;
export const putting = (logbook: Logbook): readonly Edit[] => {
	const changes = [
		...logbook.rigs.map((value): Change => ({ kind: 'rig', value })),
		...logbook.trips.map((value): Change => ({ kind: 'trip', value })),
		...logbook.entries.map((value): Change => ({ kind: 'entry', value }))
	];
	return changes.map(({ kind, value }) => ({ kind, id: value.id, make: () => value }) as Edit);
};

/** A tab of the application in a browser. */
export async function tab(
	here: Browser,
	engine: EngineApi = engineHere().api,
	store?: RecordStore
): Promise<App> {
	const app = new App({
		store: store ?? recordStore(here.ports),
		copy: here.copy,
		engine,
		prefs: new Preferences(here.prefs),
		presence: new Presence(here.notes),
		beside: { port: here.prefs, turns: here.ports.turns }
	});
	endsWithTest(() => app.close());
	await app.start();
	return app;
}
/** A tab on a browser that holds the start. */
export async function begun(engine: EngineHere = engineHere()) {
	const here = browser();
	await recordStore(here.ports).update(putting(start));
	return { here, app: await tab(here, engine.api) };
}
