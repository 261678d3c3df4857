import { size, type Size, type SizeOptions } from '$core/forecast';
import { question } from '../../question';

/** What tanks would have to hold, and what the measures in force spare of it, litres by tank. */
export interface SizeAnswer {
	readonly asLived: Size;
	readonly spared: readonly number[];
}

/** What each tank would have to hold for some days, living as one does. */
const sizeFor = question({
	outdatedBy: 'newer',
	answer: ({ estimate }, asked: SizeOptions): SizeAnswer => {
		const now = estimate();
		const asLived = size(now, asked);
		const plain = now.state.measures.length > 0 ? size(now, { ...asked, measures: [] }) : asLived;
		return {
			asLived,
			spared: asLived.tanks.map(({ needL }, i) => (plain.tanks[i]?.needL ?? needL) - needL)
		};
	}
});

declare module '../../question' {
	interface Questions {
		'tank/size': typeof sizeFor;
	}
}

export default sizeFor;
