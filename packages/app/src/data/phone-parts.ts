/** What makes a phone without its screens: the benchmarks work with the same shelf and outbox. */
export { Refusal, Unreachable } from './api';
export { openDeviceDb } from './device-db';
export { deviceId } from './device-id';
export { deviceKey } from './device-key';
export { Outbox } from './outbox';
export { RunShelf } from './run-shelf';
