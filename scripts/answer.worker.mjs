// Answers one call to an endpoint, in a thread of the server's pool.
import { pathToFileURL } from 'node:url';
import inject from 'light-my-request';
import { workerData } from 'piscina';

const { handler } = await import(pathToFileURL(`${workerData.dir}/handler.js`).href);

/** What is asked most is loaded before the first call comes: what a thread answers to nothing does not matter. */
await Promise.all(
	['levels', 'forecast', 'plan'].map((name) =>
		inject(handler, {
			method: 'POST',
			url: `/api/${name}`,
			headers: { 'content-type': 'application/json' },
			payload: '{}'
		})
	)
);

/** A call as it came, and what the build's own handler answers to it. */
export default async function answer({ method, url, headers, body }) {
	const response = await inject(handler, { method, url, headers, payload: Buffer.from(body) });
	return {
		status: response.statusCode,
		headers: Object.entries(response.headers)
			.filter(([name]) => name !== 'transfer-encoding')
			.flat(),
		body: response.rawPayload
	};
}
