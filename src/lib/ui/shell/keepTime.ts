import type { App } from '$lib/state';

const BEAT_MS = 15_000;

/** Tells the application the time while it runs, and at once when it comes to the fore again. @returns its end */
export function keepTime(app: App): () => void {
	const beat = setInterval(() => void app.tick(), BEAT_MS);
	const wake = (): void => void (document.visibilityState === 'visible' && app.tick());
	document.addEventListener('visibilitychange', wake);
	return () => {
		clearInterval(beat);
		document.removeEventListener('visibilitychange', wake);
	};
}
