import { logbookJsonSchema } from '$core/logbook';
import { json } from '@sveltejs/kit';
import type { RequestHandler } from './$types';

/** The JSON Schema of the logbook, made from the validator itself. */
export const GET: RequestHandler = () => json(logbookJsonSchema());
