import { knownFrom, understand, type Known, type QuickAnswer, type QuickContext } from '$core/quickline';
import type { Entry } from '$core/logbook';

/** The grammar of the line: loaded when somebody turns to it, so that the first view comes without. */
export { completions } from '$core/quickline';

/** What is known where the line stands; what earlier entries tell is found in them when it is needed. */
export interface Here extends QuickContext {
	readonly entries: readonly Entry[];
}

const MINUTE_MS = 60_000;
/** What the entries told, as long as they and the minute are the same. */
let told: { readonly entries: readonly Entry[]; readonly minute: number; readonly known: Known } | undefined;

/** Understands a line by all that is known here. */
export function understandHere(text: string, { entries, ...context }: Here): QuickAnswer {
	const minute = Math.floor(context.nowMs / MINUTE_MS);
	if (told?.entries !== entries || told.minute !== minute)
		told = { entries, minute, known: knownFrom(context.rig, entries, context.nowMs) };
	return understand(text, { ...context, ...told.known });
}
