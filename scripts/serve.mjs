// Serves a build with the security headers on every answer, prerendered pages and files too.
import { existsSync } from 'node:fs';
import { createServer } from 'node:http';
import { resolve } from 'node:path';
import { pathToFileURL } from 'node:url';

const HEADERS = {
	'x-content-type-options': 'nosniff',
	'x-frame-options': 'DENY',
	'referrer-policy': 'no-referrer',
	'cross-origin-opener-policy': 'same-origin',
	'cross-origin-resource-policy': 'same-origin',
	'permissions-policy': 'camera=(), microphone=(), geolocation=(), payment=(), usb=()'
};

/**
 * Starts the server of a build.
 *
 * @param {{ port?: number, host?: string, dir?: string }} [options] port 0 takes any free one
 * @returns the server, listening, and its address
 */
export async function serve({
	port = Number(process.env.PORT ?? 4173),
	host = process.env.HOST ?? '127.0.0.1',
	dir = 'build'
} = {}) {
	const entry = resolve(dir, 'handler.js');
	if (!existsSync(entry)) throw new Error(`There is no build in ${dir}. Run npm run build first.`);
	// The endpoints count for themselves and answer 413; the adapter's own limit would come before that.
	process.env.BODY_SIZE_LIMIT ??= 'Infinity';
	const { handler } = await import(pathToFileURL(entry).href);
	const server = createServer((request, response) => {
		for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value);
		handler(request, response, () => {
			response.statusCode = 404;
			response.end('Not found');
		});
	});
	await new Promise((resolved, rejected) => server.once('error', rejected).listen(port, host, resolved));
	const { port: taken } = server.address();
	return { server, address: `http://${host === '0.0.0.0' ? 'localhost' : host}:${taken}` };
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
	const { address } = await serve({ dir: process.env.DIPSOMETER_OUT ?? 'build' });
	console.log(`Dipsometer is at ${address}`);
}
