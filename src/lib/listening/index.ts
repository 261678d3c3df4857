export { startListener, type ListenerApi } from './client';
export { bluetoothMeter, serialMeter, waysToMeter } from './devices';
export { type Asked, type SampleFile, type Told } from './listener';
