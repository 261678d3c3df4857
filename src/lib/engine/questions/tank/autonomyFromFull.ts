import type { Rig } from '$core/logbook';
import { autonomyFromFull as lasting, type AutonomyFromFull } from '$core/plan';
import { question } from '../../question';

/** How long a rig, perhaps changed, lasts when it sets out full. */
const autonomyFromFull = question({
	answer: ({ book, entries, from: { atMs, home } }, rig: Rig): AutonomyFromFull =>
		lasting({ ...book, entries: [...entries] }, rig, atMs, home)
});

declare module '../../question' {
	interface Questions {
		'tank/autonomyFromFull': typeof autonomyFromFull;
	}
}

export default autonomyFromFull;
