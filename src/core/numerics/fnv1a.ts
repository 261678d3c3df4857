const OFFSET = 0x81_1c_9d_c5;
const PRIME = 0x01_00_01_93;

/** A text's hash: FNV-1a (Fowler, Noll and Vo 1991) over its UTF-16 units, an unsigned integer of 32 bits. */
export function fnv1a(text: string): number {
	let hash = OFFSET;
	for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), PRIME);
	return hash >>> 0;
}
