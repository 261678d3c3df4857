import { formatLitres, METRIC, type UnitChoice } from '../../units/index.js';
import { listed } from '../list.js';

/** A figure that an entry teaches, litres. */
export type Lesson =
	| { readonly kind: 'habit'; readonly name: string; readonly fromL: number; readonly toL: number }
	/** per person and day */
	| { readonly kind: 'unlogged'; readonly fromL: number; readonly toL: number };

/** What an entry teaches beside what it moves: `This also updates Shower to 7.1 L each (was 8 L).` */
export function sayLessons(lessons: readonly Lesson[], units: UnitChoice = METRIC): string {
	const said = lessons.map((lesson) => {
		const figures = `to ${formatLitres(lesson.toL, units)}`;
		return lesson.kind === 'habit'
			? `${lesson.name} ${figures} each (was ${formatLitres(lesson.fromL, units)})`
			: `unlogged use ${figures} per person and day (was ${formatLitres(lesson.fromL, units)})`;
	});
	return `This also updates ${listed(said)}.`;
}
