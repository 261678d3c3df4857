import { MINUTE_MS } from '$core/time';
import type { Entry } from '$core/logbook';
import {
	knownFrom,
	understand,
	type Known,
	type QuickAnswer,
	type QuickContext,
	type Understood
} from '$core/quickline';

/** The grammar of the line: loaded when somebody turns to it, so that the first view comes without. */
export { completions } from '$core/quickline';
export { logLine } from './logLine';
/** What shows what it understood. */
export { default as Said } from './Said.svelte';

/** What is known where the line stands; what earlier entries tell is found in them when it is needed. */
export interface LineContext extends QuickContext {
	readonly entries: readonly Entry[];
}

/** What the entries told, as long as they and the minute are the same. */
let told: { readonly entries: readonly Entry[]; readonly minute: number; readonly known: Known } | undefined;

/** Understands a line by all that is known here. */
export function understandHere(text: string, { entries, ...context }: LineContext): QuickAnswer {
	const minute = Math.floor(context.nowMs / MINUTE_MS);
	if (told?.entries !== entries || told.minute !== minute)
		told = { entries, minute, known: knownFrom(context.rig, entries, context.nowMs) };
	return understand(text, { ...context, ...told.known });
}

/** The run that leads through what a line says was done, where it is a fill or a dump of now. */
export function runOf({ drafts, atMs }: Understood, { nowMs, rig }: LineContext): string | undefined {
	const query = new URLSearchParams();
	if (atMs !== nowMs) return undefined;
	const [first] = drafts;
	// What came from a source ran in by itself, or is in already.
	if (first?.kind === 'fill' && first.from !== undefined) return undefined;
	if (first?.kind === 'fill' && drafts.length === 1) {
		query.append('tank', first.tank);
		return `/run/fill?${query}`;
	}
	for (const draft of drafts) {
		if (draft.kind !== 'dump') return undefined;
		query.append('tank', draft.tank);
		if (rig.containers.some(({ id }) => id === draft.where)) query.set('into', draft.where ?? '');
	}
	return drafts.length > 0 ? `/run/dump?${query}` : undefined;
}
