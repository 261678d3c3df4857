import { readable, type Logbook } from '$core/logbook';
import type { App } from '$lib/state';
import { download, plainName } from '../../kit/download';

/** A file name for a logbook: what it is of, and the day. */
export const logbookFileName = (logbook: Logbook, day: string): string => {
	const name = logbook.rigs.length === 1 ? (logbook.rigs[0]?.name ?? 'dipsometer') : 'dipsometer';
	return `${plainName(name)}-${day}.logbook.json`;
};

/** Everything as one file: its name, and what is in it. */
export function logbookFile(app: App): { readonly name: string; readonly text: string } {
	const { logbook, unfit } = readable(app.records.logbook());
	const whole =
		unfit.length > 0 || app.records.aside.length > 0
			? { ...logbook, keptAside: [...unfit, ...app.records.aside] }
			: logbook;
	return {
		name: logbookFileName(logbook, logbook.exportedAt.slice(0, 10)),
		text: JSON.stringify(whole, undefined, '\t')
	};
}

/** Saves everything to a file, and notes that it was. */
export function downloadLogbook(app: App): void {
	const { name, text } = logbookFile(app);
	download(name, text);
	app.presence.saved(app.records.entries.length);
}
