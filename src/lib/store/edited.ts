import { instantMs } from '$core/logbook';

/** When a record was last edited, ms; before all else where it does not say. */
export const editedMs = (value: unknown): number => {
	const edited = typeof value === 'object' && value !== null && 'edited' in value ? value.edited : undefined;
	return typeof edited === 'string' ? instantMs(edited) : -Infinity;
};
