import { calibrationPairs as pairs, type CalibrationPair } from '$core/estimate';
import { question } from '../../question';

/** A gauge’s readings beside what all else says, to learn its curve from. */
const calibrationPairs = question({
	answer: ({ book, entries, from: { rig, atMs, home } }, gauge: string): readonly CalibrationPair[] =>
		pairs({ ...book, entries: [...entries] }, rig, gauge, atMs, home)
});

declare module '../../question' {
	interface Questions {
		'tank/calibrationPairs': typeof calibrationPairs;
	}
}

export default calibrationPairs;
