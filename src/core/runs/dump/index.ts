export { dumpOrder, flushedFrom, wetL, type DumpAct, type DumpStep } from './order.js';
