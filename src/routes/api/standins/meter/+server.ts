import { HOUR_MS } from '$core/time';
import { BEAT_MS, readingAfter, specOf } from '$lib/standins/simulatedFlow';
import { json } from '@sveltejs/kit';
import type { RequestHandler } from './$types';

/** Nobody fills for longer. */
const LONGEST_MS = 2 * HOUR_MS;

/** A simulated flow meter: server-sent events with what it shows. It keeps nothing; all that it counts from is in the address. */
export const GET: RequestHandler = ({ url, request }) => {
	const read = specOf(url.searchParams);
	if ('wrong' in read) return json({ message: read.wrong }, { status: 422 });
	const { spec, elapsedMs } = read;
	const beganMs = Date.now() - elapsedMs;
	let beat: ReturnType<typeof setInterval> | undefined;
	const end = (): void => clearInterval(beat);
	const stream = new ReadableStream<Uint8Array>({
		start(controller) {
			const encoder = new TextEncoder();
			const send = (): void => {
				const elapsed = Date.now() - beganMs;
				controller.enqueue(encoder.encode(`data: ${JSON.stringify(readingAfter(spec, elapsed))}\n\n`));
				if (elapsed - elapsedMs > LONGEST_MS) {
					end();
					controller.close();
				}
			};
			request.signal.addEventListener('abort', end);
			send();
			beat = setInterval(send, BEAT_MS);
		},
		cancel: end
	});
	return new Response(stream, {
		headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' }
	});
};
