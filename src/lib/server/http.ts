import type { Problem } from '$core/logbook';
import { json } from '@sveltejs/kit';

/** A larger body is refused unread. */
export const LARGEST_BODY = 16 * 1024 * 1024;

const refuse = (status: number, message: string): Response => json({ message }, { status });

/** The answer to a body that does not validate. */
export const unprocessable = (errors: readonly Problem[]): Response => json({ errors }, { status: 422 });

/** Reads a body up to the limit; `undefined` when it is longer. */
async function readUpTo(request: Request, limit: number): Promise<string | undefined> {
	const reader = request.body?.getReader();
	if (!reader) return '';
	const chunks: Uint8Array[] = [];
	let size = 0;
	for (let part = await reader.read(); !part.done; part = await reader.read()) {
		size += part.value.byteLength;
		if (size > limit) {
			await reader.cancel();
			return undefined;
		}
		chunks.push(part.value);
	}
	return new TextDecoder().decode(Buffer.concat(chunks));
}

/**
 * Takes a JSON body and gives it to a handler; answers 415, 413 and 422 where it cannot.
 *
 * @param handle gets any JSON value; what it returns is the answer, or a list of problems
 */
export async function answerJson(
	request: Request,
	handle: (body: unknown) => { answer: unknown } | { errors: readonly Problem[] }
): Promise<Response> {
	const type = request.headers.get('content-type')?.split(';')[0]?.trim().toLowerCase();
	if (type !== 'application/json') return refuse(415, 'Send JSON, with content-type application/json.');
	const tooLarge = (): Response => refuse(413, `A body is at most ${LARGEST_BODY / 1024 / 1024} MiB.`);
	if (Number(request.headers.get('content-length') ?? 0) > LARGEST_BODY) return tooLarge();
	const text = await readUpTo(request, LARGEST_BODY);
	if (text === undefined) return tooLarge();
	let body: unknown;
	try {
		body = JSON.parse(text);
	} catch (error) {
		return unprocessable([
			{ path: '$', expected: 'JSON', got: error instanceof Error ? error.message : 'no JSON' }
		]);
	}
	const result = handle(body);
	return 'errors' in result ? unprocessable(result.errors) : json(result.answer);
}
