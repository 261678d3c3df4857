import { MINUTE_MS } from '$core/time';
import type { App } from '$lib/state';

/** A clock that shows no seconds changes with the minute; the timer comes a little after that. */
const AFTER_MS = 100;

/** Tells the application the time with each minute while somebody looks, and at once when it comes to the fore again. @returns its end */
export function keepTime(app: App): () => void {
	let next: ReturnType<typeof setTimeout> | undefined;
	const beat = (): void => {
		clearTimeout(next);
		if (document.visibilityState !== 'visible') return app.sleep();
		void app.wake();
		next = setTimeout(beat, MINUTE_MS - (Date.now() % MINUTE_MS) + AFTER_MS);
	};
	beat();
	document.addEventListener('visibilitychange', beat);
	return () => {
		clearTimeout(next);
		document.removeEventListener('visibilitychange', beat);
	};
}
