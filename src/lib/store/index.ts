export { browserNotes, browserPort, browserPortApart, browserSecondCopy } from './browser';
export { memoryFiles, privateFiles, type FilePort } from './files';
export { memoryPort } from './memory';
export type { KeyValuePort } from './port';
export { editedMs } from './edited';
export { secondCopy, type KeptCopy, type SecondCopy } from './secondCopy';
export { browserTurns, queuedTurns, type Turns } from './turns';
export {
	checkedRecords,
	EmptiedElsewhere,
	fetchWriting,
	recordStore,
	type Change,
	type Edit,
	type KeptAside,
	type Opened,
	type Ports,
	type RecordLists,
	type RecordStore
} from './records';
