import type { App } from '$lib/state';
import { downloadLogbook, logbookFile } from '../../parts/acts/saveLogbook';

/** How a logbook left: by the device's share sheet, as a file, or not at all. */
export type HandedOver = 'shared' | 'saved' | 'kept';

/**
 * The file as the device's share sheet takes it: some take no JSON, and the same text as plain text.
 *
 * @returns nothing where the device shares no files
 */
function shareable(name: string, text: string): File | undefined {
	const asJson = new File([text], name, { type: 'application/json' });
	const asText = new File([text], `${name}.txt`, { type: 'text/plain' });
	return [asJson, asText].find((file) => navigator.canShare?.({ files: [file] }) === true);
}

/** Hands the logbook to another person or device: by the share sheet where there is one, else as a file. */
export async function handOver(app: App): Promise<HandedOver> {
	const { name, text } = logbookFile(app);
	const file = shareable(name, text);
	if (!file) {
		downloadLogbook(app);
		return 'saved';
	}
	try {
		await navigator.share({ files: [file], title: name });
	} catch (error) {
		if (error instanceof DOMException && error.name === 'AbortError') return 'kept';
		downloadLogbook(app);
		return 'saved';
	}
	app.presence.saved(app.records.entries.length);
	return 'shared';
}
