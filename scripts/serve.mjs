// Serves a build with the security headers on every answer, prerendered pages and files too. What the endpoints reckon
// is reckoned in worker threads, so that a heavy call holds up no other.
import { existsSync } from 'node:fs';
import { createServer } from 'node:http';
import { availableParallelism } from 'node:os';
import { resolve } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { Piscina } from 'piscina';
import { picturePolicy } from './picturePolicy.mjs';

const HEADERS = {
	'x-content-type-options': 'nosniff',
	'x-frame-options': 'DENY',
	'referrer-policy': 'no-referrer',
	'cross-origin-opener-policy': 'same-origin',
	'cross-origin-resource-policy': 'same-origin',
	// The camera reads the codes of /take, on this origin alone; every view may lead there without a new document.
	'permissions-policy': 'camera=(self), microphone=(), geolocation=(self), payment=(), usb=()'
};

/** Puts a policy beside the one that a page may have: both count. */
function addPicturePolicy(response, policy) {
	const set = response.setHeader.bind(response);
	set('content-security-policy', policy);
	response.setHeader = (name, value) =>
		set(name, String(name).toLowerCase() === 'content-security-policy' ? `${value}, ${policy}` : value);
}

/** One byte over what the endpoints take: they refuse it by themselves, and more need not be read. */
const MOST_BYTES = 16 * 1024 * 1024 + 1;
/** A call may take so long, from the moment it is read. */
const MOST_MS = Number(process.env.DIPSOMETER_LIMIT_MS ?? 20_000);
/** A connection that nothing comes through is closed after so long. */
const KEEP_ALIVE_MS = 65_000;
/** One thread for each core, begun with the server and kept: to begin one takes longer than most calls. */
const THREADS = availableParallelism();
/** Calls that wait for a thread; more are turned away. */
const MOST_WAITING = 64;

/** Reads a body, up to a byte too many, into memory of its own, which can be handed over without a copy. */
async function bodyOf(request) {
	const chunks = [];
	let size = 0;
	// The request itself is kept where no more of it is wanted: its connection has to be read to the end of it.
	for await (const chunk of request.iterator({ destroyOnReturn: false })) {
		chunks.push(chunk);
		size += chunk.length;
		if (size >= MOST_BYTES) break;
	}
	const body = new Uint8Array(Math.min(size, MOST_BYTES));
	let at = 0;
	for (const chunk of chunks) {
		body.set(chunk.subarray(0, body.length - at), at);
		at += chunk.length;
		if (at >= body.length) break;
	}
	return body;
}

const refuse = (response, status, message) => {
	response.writeHead(status, { 'content-type': 'application/json' });
	response.end(JSON.stringify({ message }));
};

/** Answers a call to an endpoint in a thread of the pool. */
async function answerInPool(pool, request, response) {
	const limit = new AbortController();
	const timer = setTimeout(() => limit.abort(), MOST_MS);
	try {
		const { url, method, headers: given } = request;
		const sent = await bodyOf(request);
		const { status, headers, body } = await pool.run(
			{ url, method, headers: given, body: sent },
			{ signal: limit.signal, transferList: [sent.buffer] }
		);
		response.writeHead(status, headers);
		response.end(body);
	} catch (error) {
		if (limit.signal.aborted)
			refuse(
				response,
				503,
				`This took longer than ${MOST_MS / 1000} seconds and was given up. Send fewer entries or a nearer horizon.`
			);
		else if (error.message === 'Task queue is at limit')
			refuse(response, 503, 'Too many calls are waiting. Try again in a moment.');
		else {
			console.error(error);
			refuse(response, 500, 'This could not be worked out. The server’s log says why.');
		}
	} finally {
		clearTimeout(timer);
		// What is left of a body that is too large is let go by: unread it would lie before the next call of this connection.
		request.resume();
	}
}

const isHeavy = ({ method, url }) => method === 'POST' && (url ?? '').startsWith('/api/');

/**
 * Starts the server of a build.
 *
 * @param {{ port?: number, host?: string, dir?: string }} [options] port 0 takes any free one
 * @returns the server, listening, and its address; closing it ends its threads
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
	const pool = new Piscina({
		filename: fileURLToPath(new URL('answer.worker.mjs', import.meta.url)),
		workerData: { dir: resolve(dir) },
		minThreads: THREADS,
		maxThreads: THREADS,
		maxQueue: MOST_WAITING
	});
	// A thread that falls over is replaced; the call that it had is answered with 500.
	pool.on('error', (error) => console.error(error));
	const server = createServer((request, response) => {
		for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value);
		addPicturePolicy(response, picturePolicy(request.headers.cookie));
		if (isHeavy(request)) return void answerInPool(pool, request, response);
		handler(request, response, () => {
			response.statusCode = 404;
			response.end('Not found');
		});
	});
	// Longer than a client waits between two calls: one that comes as the connection is closed would be lost.
	server.keepAliveTimeout = KEEP_ALIVE_MS;
	server.on('close', () => void pool.destroy());
	await new Promise((resolved, rejected) => server.once('error', rejected).listen(port, host, resolved));
	const { port: taken } = server.address();
	return { server, address: `http://${host === '0.0.0.0' ? 'localhost' : host}:${taken}` };
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
	const { address } = await serve({ dir: process.env.DIPSOMETER_OUT ?? 'build' });
	console.log(`Dipsometer is at ${address}`);
}
