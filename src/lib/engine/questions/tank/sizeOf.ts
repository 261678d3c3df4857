import { estimate } from '$core/estimate';
import { size, type Size, type SizeOptions } from '$core/forecast';
import type { Rig } from '$core/logbook';
import { question } from '../../question';

/** What the tanks of a rig that nobody has yet would have to hold. */
const sizeOf = question({
	outdatedBy: 'newer',
	answer: ({ from: { atMs, home } }, rig: Rig, asked: SizeOptions): Size => {
		const logbook = {
			format: 'dipsometer-logbook',
			version: 1,
			exportedAt: new Date(atMs).toISOString(),
			rigs: [rig],
			trips: [],
			points: [],
			entries: []
		} as const;
		return size(estimate(logbook, rig.id, atMs, home === undefined ? {} : { home }), asked);
	}
});

declare module '../../question' {
	interface Questions {
		'tank/sizeOf': typeof sizeOf;
	}
}

export default sizeOf;
