import type { EntryDraft, Rig } from '$core/logbook';
import { tankById } from '$core/rig';

/**
 * What is written when tanks were emptied for a lay-up: each of them dumped to its end, and, when the whole list is done, the
 * care tasks that belong to the lay-up.
 */
export function drainedEntries(
	rig: Rig,
	tanks: readonly string[],
	now: { readonly at: string; readonly trip?: string },
	whole: boolean
): readonly EntryDraft[] {
	return [
		...tanks.map((tank): EntryDraft => ({
			kind: 'dump',
			tank,
			to: 'empty',
			...(tankById(rig, tank)?.holds === 'fresh' ? { note: 'Drained down.' } : {}),
			source: 'hand',
			...now
		})),
		...(whole
			? rig.care
					.filter(({ season, retired }) => season === 'lay-up' && !retired)
					.map((task): EntryDraft => ({ kind: 'care', task: task.id, source: 'hand', ...now }))
			: [])
	];
}
