/** Hands a text to the browser to be saved as a file. */
export function download(name: string, text: string, type = 'application/json'): void {
	const url = URL.createObjectURL(new Blob([text], { type }));
	const link = Object.assign(document.createElement('a'), { href: url, download: name });
	document.body.append(link);
	link.click();
	link.remove();
	setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

/** A name that every file system takes, without its ending. */
export const plainName = (name: string): string =>
	name
		.toLowerCase()
		.replaceAll(/[^\p{L}\p{N}]+/gu, '-')
		.replaceAll(/^-|-$/g, '') || 'dipsometer';
