// What both commands of the README do first: put in place what a fresh clone on a fresh machine lacks.
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, statSync } from 'node:fs';
import { HEADLESS_SHELL } from './chromium.mjs';

/** Runs a command with its output shown; throws when it fails. */
export function run(command, args, options = {}) {
	const { status, error } = spawnSync(command, args, { stdio: 'inherit', ...options });
	if (error) throw error;
	if (status !== 0) throw new Error(`${command} ${args.join(' ')} ended with ${status}.`);
}

const changedAt = (path) => (existsSync(path) ? statSync(path).mtimeMs : 0);

/** Installs the packages of the lockfile unless they are there. */
export function installPackages() {
	const marker = 'node_modules/.package-lock.json';
	if (changedAt(marker) >= changedAt('package-lock.json') && changedAt(marker) > 0) return;
	console.log('Installing packages…');
	run('npm', ['ci', '--no-audit', '--no-fund'], {
		env: { ...process.env, PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1' }
	});
}

/** Installs Debian's Chromium, the one without a window, unless it is there or another one was named. */
export function installChromium() {
	if (process.env.CHROME_PATH || existsSync(HEADLESS_SHELL)) return;
	console.log('Installing Chromium…');
	run('apt-get', ['update', '-qq']);
	run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium-headless-shell'], {
		env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
	});
}

export const packageJson = () => JSON.parse(readFileSync('package.json', 'utf8'));
