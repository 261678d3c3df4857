/**
 * Keeps the screen awake until the answer is called; taken again when one comes back from another application. Where the
 * device refuses (a battery that runs low), the screen goes dark as ever.
 */
export function keepAwake(): () => void {
	let lock: WakeLockSentinel | undefined;
	let ended = false;
	async function take(): Promise<void> {
		if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
		try {
			lock = await navigator.wakeLock.request('screen');
			if (ended) await lock.release();
		} catch (error) {
			console.info('The screen may go dark:', error);
		}
	}
	const again = (): void => void take();
	document.addEventListener('visibilitychange', again);
	void take();
	return () => {
		ended = true;
		document.removeEventListener('visibilitychange', again);
		void lock?.release();
	};
}
