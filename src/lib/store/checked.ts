import { parseRecord, type Problem } from '$core/logbook';
import { kindOf, type Change } from './records';

/** Reads what stands at a key; problems when it is no record. */
export function storedRecordOf(key: string, value: unknown): Change | readonly Problem[] {
	const kind = kindOf(key);
	if (!kind) return [{ path: '$', expected: 'a key that begins with a kind of record', got: key }];
	const parsed = parseRecord(kind, value);
	return parsed.ok ? ({ kind, value: parsed.value } as Change) : parsed.problems;
}

export const isChange = (read: Change | readonly Problem[]): read is Change => 'kind' in read;

/** Those of some stored values that are records. */
export const recordsAmong = (
	stored: readonly (readonly [key: string, value: unknown])[]
): readonly Change[] => stored.map(([key, value]) => storedRecordOf(key, value)).filter(isChange);
