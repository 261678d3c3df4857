export { browserPort } from './browser';
export { memoryPort } from './memory';
export type { KeyValuePort } from './port';
export {
	keyOf,
	recordStore,
	type Change,
	type KeptAside,
	type Opened,
	type Records,
	type RecordStore
} from './records';
