import { spawn, type ChildProcess } from 'node:child_process';
import { createServer } from 'node:net';

/** A port that nothing listens on. */
export const freePort = (): Promise<number> =>
	new Promise((resolve, reject) => {
		const probe = createServer();
		probe.once('error', reject).listen(0, '127.0.0.1', () => {
			const address = probe.address();
			probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
		});
	});

/** Starts a server of a build that a test may kill. */
export async function startServer(
	port: number,
	dir = 'build',
	env: Readonly<Record<string, string>> = {}
): Promise<{ readonly base: string; readonly kill: () => Promise<void> }> {
	const child: ChildProcess = spawn('node', ['scripts/serve.mjs'], {
		env: { ...process.env, PORT: String(port), DIPSOMETER_OUT: dir, ...env },
		stdio: ['ignore', 'pipe', 'inherit']
	});
	await new Promise<void>((resolve, reject) => {
		child.stdout?.once('data', () => resolve());
		child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
	});
	const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()));
	return {
		base: `http://127.0.0.1:${port}`,
		kill: () => {
			child.kill();
			return ended;
		}
	};
}
