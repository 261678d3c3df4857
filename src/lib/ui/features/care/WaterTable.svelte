<script lang="ts">
	import type { WaterAge, WaterPart, WaterState, WaterWarning } from '$core/care';
	import type { Point, Rig } from '$core/logbook';
	import { tankById } from '$core/rig';
	import { formatLitres, type UnitChoice } from '$core/units';
	import { DRINK_WORDS, sayAgo, sayWaterAge, sayWaterWarning } from '$core/words';
	import DataTable from '../../kit/page/DataTable.svelte';
	import FactList from '../../kit/page/FactList.svelte';
	import InFigures from '../../kit/page/InFigures.svelte';
	import Notice from '../../kit/page/Notice.svelte';

	interface Props {
		rig: Rig;
		ages: readonly WaterAge[];
		states: readonly WaterState[];
		warnings: readonly WaterWarning[];
		points: readonly Point[];
		units: UnitChoice;
		nowMs: number;
		timeZone: string;
	}
	/** How old the water in each tank is, and where it came from. */
	const { rig, ages, states, warnings, points, units, nowMs, timeZone }: Props = $props();

	const nameOf = (id: string): string => tankById(rig, id)?.name ?? id;
	const POTABLE = { yes: 'drinking water', no: 'not for drinking', unknown: 'not known' } as const;
	const source = ({ point, fill }: WaterPart): string =>
		points.find(({ id }) => id === point)?.name ??
		(fill === undefined ? 'in it before the log began' : 'a tap');
	const LEAST = 0.01;
	const drinkOf = (tank: string): string =>
		DRINK_WORDS[states.find((one) => one.tank === tank)?.drink ?? 'unsure'];
</script>

{#each warnings as warning (warning.tank + warning.kind)}
	<Notice><p>{sayWaterWarning(warning, nameOf, units)}</p></Notice>
{/each}
<FactList
	facts={ages.map((age) => ({
		name: nameOf(age.tank),
		says: `${formatLitres(age.litres, units)}, ${age.litres < 0.5 ? 'empty' : sayWaterAge(age)}; ${drinkOf(age.tank)}`
	}))}
/>
<InFigures>
	<DataTable
		columns={[
			{ name: 'Tank' },
			{ name: 'Filled' },
			{ name: 'From' },
			{ name: 'Share', number: true },
			{ name: 'Is it drinking water?' }
		]}
	>
		{#each ages as age (age.tank)}
			{#each age.parts.filter(({ share }) => share >= LEAST) as part, i (i)}
				<tr>
					<th scope="row">{nameOf(age.tank)}</th>
					<td>{part.fill === undefined ? 'before ' : ''}{sayAgo(part.sinceMs, nowMs, timeZone)}</td>
					<td>{source(part)}</td>
					<td class="number">{Math.round(100 * part.share)}%</td>
					<td>{part.fill === undefined ? '' : POTABLE[part.potable]}</td>
				</tr>
			{/each}
		{/each}
	</DataTable>
</InFigures>
