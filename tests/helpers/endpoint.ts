// eslint-disable-next-line @typescript-eslint/no-explicit-any -- an answer from outside, looked at field by field
export type Answer = Record<string, any>;

/** What an endpoint's own handler answers to a JSON body, with its status beside it. */
export async function askEndpoint(post: unknown, body: object): Promise<Answer> {
	const request = new Request('http://here/', {
		method: 'POST',
		body: JSON.stringify(body),
		headers: { 'content-type': 'application/json' }
	});
	const response = await (post as (event: { request: Request }) => Response | Promise<Response>)({ request });
	return { status: response.status, ...(await response.json()) };
}
