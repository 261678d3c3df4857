export { dumpLines, type DumpLine, type DumpManner, type DumpPlace } from './lines.js';
export { dumpOrder, flushedFrom, wetL, type DumpAct, type DumpStep } from './order.js';
