import { question } from '../../question';

/** Whether a text in the open map's syntax of opening hours can be read. */
const readsHours = question({
	answer: async ({ shared }, open: string): Promise<boolean> => {
		shared.hours ??= (await import('$core/hours')).hoursReader();
		return shared.hours.reads(open);
	}
});

declare module '../../question' {
	interface Questions {
		'trip/readsHours': typeof readsHours;
	}
}

export default readsHours;
