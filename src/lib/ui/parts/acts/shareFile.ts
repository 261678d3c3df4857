import { download } from '../../kit/download';

/** How something left: by the device's share sheet, as a file or by the clipboard, or not at all. */
export type Left = 'shared' | 'saved' | 'kept';

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

/** Opens the share sheet; where that fails, the other way is taken. Who closes the sheet again did not want to. */
async function bySheet(data: ShareData, otherwise: () => Promise<void> | void): Promise<Left> {
	try {
		await navigator.share(data);
		return 'shared';
	} catch (error) {
		if (error instanceof DOMException && error.name === 'AbortError') return 'kept';
		await otherwise();
		return 'saved';
	}
}

/** Gives a file to another person or device: by the share sheet where there is one for files, else as a download. */
export async function shareFile(name: string, text: string): Promise<Left> {
	const save = (): void => download(name, text);
	const file = shareable(name, text);
	if (file) return bySheet({ files: [file], title: name }, save);
	save();
	return 'saved';
}

/** Gives a link to another person: by the share sheet where there is one, else by the clipboard. */
export async function shareLink(title: string, url: string): Promise<Left> {
	const copy = async (): Promise<void> => {
		// A page from the harbour's own server may have none.
		if (!(navigator as Partial<Navigator>).clipboard)
			throw new Error('the browser copies only from secure addresses (https)');
		await navigator.clipboard.writeText(url);
	};
	if (typeof navigator.share === 'function') return bySheet({ title, url }, copy);
	await copy();
	return 'saved';
}
