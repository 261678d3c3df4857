import { stayByContainer, type StayLoads } from '$core/runs';
import { DAY_MS } from '$core/time';
import { containersOf, hoseInto, hoseOf, type WithHose } from '../../parts/containers';
import { question } from '../../question';

/** What a whole stay of so many days from now on asks of a container. @throws RangeError where the rig has no such container */
const stayLoads = question({
	answer: (
		{ estimate },
		{ container: id, days, ...asked }: WithHose & { readonly container: string; readonly days: number }
	): StayLoads => {
		const now = estimate();
		const container = containersOf(now).find((one) => one.id === id);
		if (!container) throw new RangeError('this rig has no such container; add one under Rig');
		return stayByContainer(
			now,
			container,
			now.atMs,
			now.atMs + days * DAY_MS,
			hoseInto(container, hoseOf(asked))
		);
	}
});

declare module '../../question' {
	interface Questions {
		'runs/stayLoads': typeof stayLoads;
	}
}

export default stayLoads;
