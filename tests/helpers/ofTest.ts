import { threadId } from 'node:worker_threads';

const ENDS: (() => void)[] = [];
let tests = 0;

/** Ends something with the test that began it. */
export const endsWithTest = (end: () => void): void => void ENDS.push(end);

/** Ends all that the test that is over began. */
export function endTest(): void {
	ENDS.splice(0).forEach((end) => end());
	tests++;
}

/** Tabs of one test hear one another; what another test says late, or in the thread beside, is said to nobody here. */
globalThis.BroadcastChannel = class extends BroadcastChannel {
	constructor(name: string) {
		super(`${name} of test ${tests} in thread ${threadId}`);
	}
};
