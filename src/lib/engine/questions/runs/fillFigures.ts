import { fillFigures as figures, type FillFigures, type FillTarget } from '$core/runs';
import { question } from '../../question';

/** What a fill comes to: litres, mass, minutes and the figure to stop at. */
const fillFigures = question({
	answer: ({ estimate }, tank: string, target: FillTarget): FillFigures => figures(estimate(), tank, target)
});

declare module '../../question' {
	interface Questions {
		'runs/fillFigures': typeof fillFigures;
	}
}

export default fillFigures;
