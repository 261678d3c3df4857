import { saidContradicted as contradicted } from '$core/estimate';
import type { Ahead } from '$core/logbook';
import { question } from '../../question';

/** Days said to be unlike others that are over, and that readings contradict. */
const saidContradicted = question({
	answer: (hand): readonly Ahead[] => contradicted(hand.estimate(), hand.book.trips)
});

declare module '../../question' {
	interface Questions {
		'now/saidContradicted': typeof saidContradicted;
	}
}

export default saidContradicted;
