import type { Problem } from '$core/logbook';
import { json } from '@sveltejs/kit';

/** A larger body is refused unread. */
export const LARGEST_BODY = 16 * 1024 * 1024;

const refuse = (status: number, message: string): Response => json({ message }, { status });

/** What is wrong with a body: the first problems, and how many more there are (`atLeast`: that many or more). */
export interface Errors {
	readonly errors: readonly Problem[];
	readonly more?: number;
	readonly atLeast?: true;
}

/** An answer that is no JSON: the text of a file, its media type, and what it is called when it is saved. */
export interface FileAnswer {
	readonly file: { readonly text: string; readonly type: string; readonly name: string };
}

const asFile = ({ file: { text, type, name } }: FileAnswer): Response =>
	new Response(text, {
		headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name}"` }
	});

/** The answer to a body that does not validate. */
const unprocessable = (errors: Errors): Response => json(errors, { status: 422 });

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
 * @param handle gets any JSON value; what it returns is the answer, a file, or a list of problems
 */
export async function answerJson(
	request: Request,
	handle: (body: unknown) => { answer: unknown } | FileAnswer | Errors
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
		const got = error instanceof Error ? error.message : 'no JSON';
		return unprocessable({ errors: [{ path: '$', expected: 'JSON', got }] });
	}
	const result = handle(body);
	if ('errors' in result) return unprocessable(result);
	return 'file' in result ? asFile(result) : json(result.answer);
}
