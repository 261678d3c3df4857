import { formatLitres, METRIC, type UnitChoice } from '../../units/index.js';
import { listed } from '../list.js';

/** A figure that an entry teaches, litres. */
export type Lesson =
	| { readonly kind: 'habit'; readonly name: string; readonly fromL: number; readonly toL: number }
	/** per person and day */
	| { readonly kind: 'unlogged'; readonly fromL: number; readonly toL: number };

/** What an entry teaches beside what it moves: `It also teaches that one Shower takes 7.1 L, not 8 L.` */
export function sayLessons(lessons: readonly Lesson[], units: UnitChoice = METRIC): string {
	const said = lessons.map((lesson) => {
		const figures = `${formatLitres(lesson.toL, units)}, not ${formatLitres(lesson.fromL, units)}`;
		return lesson.kind === 'habit'
			? `one ${lesson.name} takes ${figures}`
			: `what goes unwritten is ${figures}, a person and day`;
	});
	return `It also teaches that ${listed(said)}.`;
}
