import { HOUR_MS } from '$core/time';
import { dev } from '$app/environment';

/** Nothing stands open or half-typed outside the quick line, which keeps its own draft. */
const isCalm = (): boolean => !document.querySelector('[role="dialog"], [data-unsaved]');

async function registered(onready: () => void): Promise<() => void> {
	if (!('serviceWorker' in navigator)) return () => undefined;
	const workers = navigator.serviceWorker;
	const registration = await workers.register('/service-worker.js', { type: 'module' });
	// The first worker of all takes control without a reload: the page already is its build.
	let controlled = workers.controller !== null;
	workers.addEventListener('controllerchange', () => {
		if (controlled) location.reload();
		controlled = true;
	});
	const offer = (): void => {
		const { waiting } = registration;
		if (!waiting || !workers.controller) return;
		if (isCalm()) waiting.postMessage('take-over');
		else onready();
	};
	registration.addEventListener('updatefound', () => {
		const { installing } = registration;
		installing?.addEventListener('statechange', () => installing.state === 'installed' && offer());
	});
	offer();
	let askedMs = Date.now();
	document.addEventListener('visibilitychange', () => {
		// Once an hour at most, and only when somebody looks again: without a network there is none to be had.
		if (document.visibilityState !== 'visible' || Date.now() - askedMs < HOUR_MS) return;
		askedMs = Date.now();
		registration.update().catch(() => undefined);
	});
	return offer;
}

/**
 * Registers the service worker and takes a new build over at a calm moment: the waiting build is told to go on and the
 * page starts anew.
 *
 * @param onready called when a new build waits but the moment is not calm
 * @returns asks again, for when the moment has become calm
 */
export function takeOverNewBuilds(onready: () => void): () => void {
	let offer = (): void => undefined;
	if (!dev)
		registered(onready).then(
			(found) => (offer = found),
			(error: unknown) => console.warn('No offline copy:', error)
		);
	return () => offer();
}
