/** Values as they are to stand, by key. */
export type Batch = readonly (readonly [key: string, value: unknown])[];

/** Under which one is written down while it is under way. */
export const BATCH = 'batch:';
export const isBatch = (key: string): boolean => key.startsWith(BATCH);
