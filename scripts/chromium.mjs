import { existsSync } from 'node:fs';

/** Debian's Chromium without a window of its own starts and draws in half the time of the whole browser. */
export const HEADLESS_SHELL = '/usr/bin/chromium-headless-shell';
const WHOLE_BROWSER = '/usr/bin/chromium';

/** For pictures: the whole browser, which writes dates and sets type as people see them; the headless one where it is missing. */
export const pictureBrowserPath = () =>
	process.env.CHROME_PATH ?? (existsSync(WHOLE_BROWSER) ? WHOLE_BROWSER : HEADLESS_SHELL);

/** The browser that is there: the one that was named, the headless one, or the whole one. */
export const browserPath = () =>
	process.env.CHROME_PATH ?? (existsSync(HEADLESS_SHELL) ? HEADLESS_SHELL : WHOLE_BROWSER);

/** How Debian's Chromium is started here: as root, with no monitor, and without calling home. */
export const chromiumOptions = {
	executablePath: browserPath(),
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
