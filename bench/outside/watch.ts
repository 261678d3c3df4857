import type { Page } from '@playwright/test';

/** What a page was like between two moments, as the browser itself counts it. */
export interface Watched {
	/** every task longer than 50 ms, in full, ms: so long the page heard nothing */
	readonly deafMs: number;
	readonly longestMs: number;
	readonly tasks: number;
	/** cumulative layout shift, without what follows a tap at once */
	readonly shift: number;
}

interface Kept {
	tasks: { at: number; ms: number }[];
	shifts: { at: number; by: number; what: string }[];
	tapAt: number;
	titleAt: number;
	title: string;
}
declare global {
	interface Window {
		watched: Kept;
	}
}

/** Lets every page of a context count its long tasks, its shifts, and when its title stands after a tap. */
export async function watch(page: Page): Promise<void> {
	await page.addInitScript(() => {
		const kept: Kept = { tasks: [], shifts: [], tapAt: 0, titleAt: 0, title: '' };
		window.watched = kept;
		new PerformanceObserver((list) => {
			for (const { startTime, duration } of list.getEntries())
				kept.tasks.push({ at: startTime, ms: duration });
		}).observe({ type: 'longtask', buffered: true });
		new PerformanceObserver((list) => {
			for (const entry of list.getEntries()) {
				const { value, hadRecentInput, sources } = entry as PerformanceEntry & {
					value: number;
					hadRecentInput: boolean;
					sources: readonly { node?: Node | null }[];
				};
				const what = sources
					.map(({ node }) => {
						const element = node instanceof Element ? node : node?.parentElement;
						return element
							? `${element.localName}.${element.className} ${element.textContent.slice(0, 30)}`
							: '?';
					})
					.join(' | ');
				if (!hadRecentInput) kept.shifts.push({ at: entry.startTime, by: value, what });
			}
		}).observe({ type: 'layout-shift', buffered: true });
		// When it was tapped the browser says, however late the page hears of it.
		addEventListener(
			'click',
			({ timeStamp }) => {
				[kept.tapAt, kept.titleAt] = [timeStamp, 0];
				kept.title = document.querySelector('h1')?.textContent ?? '';
			},
			{ capture: true }
		);
		const look = (): void => {
			const title = document.querySelector('h1')?.textContent ?? '';
			if (kept.titleAt === 0 && title !== '' && title !== kept.title)
				requestAnimationFrame(() => setTimeout(() => (kept.titleAt ||= performance.now())));
		};
		new MutationObserver(look).observe(document, { subtree: true, childList: true, characterData: true });
	});
}

/** The page's own clock, ms. */
export const clockOf = (page: Page): Promise<number> => page.evaluate(() => performance.now());

/** What was counted since a moment of the page's own clock. */
export const watchedSince = (page: Page, fromMs: number): Promise<Watched> =>
	page.evaluate((from) => {
		const tasks = window.watched.tasks.filter(({ at, ms }) => at + ms > from).map(({ ms }) => ms);
		return {
			deafMs: tasks.reduce((sum, ms) => sum + ms, 0),
			longestMs: Math.max(0, ...tasks),
			tasks: tasks.length,
			shift: window.watched.shifts.filter(({ at }) => at > from).reduce((sum, { by }) => sum + by, 0)
		};
	}, fromMs);

/** Waits until the title that followed the last tap was painted; how long after the tap, ms. */
export async function titleAfterTap(page: Page): Promise<number> {
	await page.waitForFunction(() => window.watched.titleAt > 0, undefined, { polling: 50 });
	return page.evaluate(() => window.watched.titleAt - window.watched.tapAt);
}
