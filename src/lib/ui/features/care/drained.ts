import type { EntryDraft, Rig, Tank } from '$core/logbook';
import { chargeOf, emptyOf, tankById } from '$core/rig';

/** Nothing is put back for the winter, whatever is after a usual dump. */
const leftIn = (tank: Tank | undefined): { readonly leftL?: number } =>
	tank && chargeOf(tank) > 0 ? { leftL: emptyOf(tank) } : {};

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
		...tanks.map((id): EntryDraft => ({
			kind: 'dump',
			tank: id,
			to: 'empty',
			...leftIn(tankById(rig, id)),
			...(tankById(rig, id)?.holds === 'fresh' ? { note: 'Drained.' } : {}),
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
