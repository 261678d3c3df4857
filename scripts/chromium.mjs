/** How Debian's Chromium is started here: as root, with no monitor, and without calling home. */
export const chromiumOptions = {
	executablePath: process.env.CHROME_PATH ?? '/usr/bin/chromium',
	args: [
		'--no-sandbox',
		'--disable-gpu',
		'--disable-quic',
		'--no-first-run',
		'--disable-background-networking',
		'--disable-component-update',
		'--disable-sync'
	]
};
