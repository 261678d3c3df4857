import { v5 as uuid } from 'uuid';

/** The namespace of ids that are made from content (RFC 9562, version 5); any constant does. */
const NAMESPACE = '6f0f6c2e-6a0a-5d39-8f0e-3a4f5f1d7c11';

/**
 * An id for what a file gives none: made from what it says, so that a file read twice brings the same thing once.
 *
 * @param seen ids that were given before: what is said twice in one file is two things
 */
export function madeId(content: string, seen: Set<string>): string {
	for (let n = 1; ; n++) {
		const id = uuid(n === 1 ? content : `${content}\n${n}`, NAMESPACE);
		if (seen.has(id)) continue;
		seen.add(id);
		return id;
	}
}
