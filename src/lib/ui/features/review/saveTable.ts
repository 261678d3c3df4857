import { MEDIA_TYPES, reviewCsv, type ReviewTable } from '$core/formats';
import type { Rig } from '$core/logbook';
import type { Errands, Review } from '$core/review';
import { download, plainName } from '../../kit/download';

/** The tables of a review that can be saved, as their buttons call them. */
export const TABLE_NAMES: readonly { readonly table: ReviewTable; readonly label: string }[] = [
	{ table: 'days', label: 'days' },
	{ table: 'habits', label: 'habits' },
	{ table: 'tanks', label: 'tanks' },
	{ table: 'calls', label: 'visits' }
];

/** Saves one table of a review as CSV. */
export const saveTable = (
	table: ReviewTable,
	name: string,
	rig: Rig,
	review: Review,
	errands: Errands
): void =>
	download(
		`${plainName(`${rig.name} ${name} ${table}`)}.csv`,
		reviewCsv(table, rig, review, errands),
		MEDIA_TYPES.csv
	);
