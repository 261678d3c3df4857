import type { Page } from '@playwright/test';

declare global {
	interface Window {
		meter: ReadableStreamDefaultController<Uint8Array>;
	}
}

/** A meter on a serial port of the page, which says what a test lets it say. */
export const withSerialMeter = (page: Page): Promise<unknown> =>
	page.addInitScript(() => {
		const readable = new ReadableStream<Uint8Array>({ start: (meter) => void (window.meter = meter) });
		const port = { readable, open: () => Promise.resolve(), close: () => Promise.resolve() };
		Object.defineProperty(navigator, 'serial', { value: { requestPort: () => Promise.resolve(port) } });
	});

/** Lets it say some lines. */
export const sends = (page: Page, lines: string): Promise<void> =>
	page.evaluate((text) => window.meter.enqueue(new TextEncoder().encode(text)), lines);

/** Lets it say a last line of a use that takes so much, and tells how long it took until the page says that litre, ms. */
export const namedAfter = (page: Page, line: string, litres: string): Promise<number> =>
	page.evaluate(
		([text = '', said = '']) =>
			new Promise<number>((resolve) => {
				const from = performance.now();
				new MutationObserver((_, seen) => {
					const list = document.querySelector('[aria-label="Heard by the meter"]');
					if (!list?.textContent.replaceAll('\u00a0', ' ').includes(said)) return;
					seen.disconnect();
					resolve(performance.now() - from);
				}).observe(document, { subtree: true, childList: true, characterData: true });
				window.meter.enqueue(new TextEncoder().encode(text));
			}),
		[line, litres]
	);
