import { toJSONSchema } from 'zod/mini';
import { logbookSchema } from './schema.js';

/** The published JSON Schema (draft 2020-12) of the file format, made from the same source as the validator. */
export const logbookJsonSchema = (): object => toJSONSchema(logbookSchema, { io: 'input' });
