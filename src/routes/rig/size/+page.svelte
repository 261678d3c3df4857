<script lang="ts">
	import { payloadOf, tankById } from '$core/rig';
	import { formatFigure, formatLitres, formatQuantity } from '$core/units';
	import { latest } from '$lib/engine';
	import { useApp } from '$lib/state';
	import { formatDuration } from '$core/units';
	import { FITTING_CAUTION, SIZES_COUNT, TRIED_WITH } from '$core/words';
	import NumberField from '$lib/ui/kit/fields/NumberField.svelte';
	import SelectField from '$lib/ui/kit/fields/SelectField.svelte';
	import DataTable from '$lib/ui/kit/page/DataTable.svelte';
	import Notice from '$lib/ui/kit/page/Notice.svelte';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import PageHead from '$lib/ui/kit/page/PageHead.svelte';
	import Chart from '$lib/ui/parts/charts/Chart.svelte';
	import { standsAt } from '$lib/ui/parts/charts/sizeChart';

	const app = useApp();
	const MOST_DAYS = 30;
	let days = $state<number | undefined>(7);
	let persons = $state<number | undefined>();
	let maxC = $state<number | undefined>();
	let certainty = $state('0.9');

	const units = $derived(app.prefs.current.units);
	const rig = $derived(app.liveRig);
	const litres = (value: number): string => formatLitres(value, units);
	const fits = $derived(days !== undefined && days > 0 && days <= MOST_DAYS);
	const answer = latest(
		() =>
			days !== undefined && fits
				? app.engine.ask('tank/size', { days, certainty: Number(certainty), persons, maxC })
				: undefined,
		() => [app.engine.written, days, certainty, persons, maxC]
	);
	const rows = $derived(
		(answer.value?.asLived.tanks ?? []).flatMap(({ id, needL, hasL }, i) => {
			const tank = rig && tankById(rig, id);
			const byDay = (answer.value?.asLived.byDay ?? []).map((day) => day.needL[i] ?? 0);
			const [stands] = standsAt(byDay, hasL);
			return tank
				? [{ tank, needL, hasL, byDay, lasts: stands?.[0], spared: answer.value?.spared[i] ?? 0 }]
				: [];
		})
	);
	/** the tank that is first at its end is the one to enlarge */
	const first = $derived(
		rows.reduce<(typeof rows)[number] | undefined>(
			(least, row) =>
				row.lasts !== undefined && row.needL > row.hasL && row.lasts < (least?.lasts ?? Infinity)
					? row
					: least,
			undefined
		)
	);
	const spares = $derived(rows.filter(({ spared }) => spared >= 1));
	const SURE = [
		{ value: '0.5', label: 'as likely as not' },
		{ value: '0.8', label: '8 times in 10' },
		{ value: '0.9', label: '9 times in 10' },
		{ value: '0.97', label: 'almost always' }
	];
</script>

{#if rig}
	<Page up={{ href: '/rig', name: 'Rig' }} measure="text">
		<PageHead says={TRIED_WITH}>
			{#snippet title()}What would we need to stay {formatFigure(days ?? 0)}
				{days === 1 ? 'day' : 'days'}?{/snippet}
		</PageHead>
		<div class="fields">
			<NumberField label="How many days?" bind:value={days} suffix="days" />
			<NumberField
				label="How many people?"
				bind:value={persons}
				optional
				hint="Leave blank for the planned number."
			/>
			<NumberField
				label="Daytime high"
				bind:value={maxC}
				of="temperature"
				{units}
				optional
				hint="You drink more in heat."
			/>
			<SelectField label="How sure?" bind:value={certainty} options={SURE} />
		</div>
		{#if answer.trouble}<p class="mind" role="alert">{answer.trouble}</p>{/if}
		{#if !fits}<p class="soft">Enter how many days, up to {MOST_DAYS}.</p>{/if}
		<div class="answer" aria-live="polite" aria-busy={answer.waiting}>
			{#if answer.value && fits}
				<p>
					{#if first}
						<strong>{first.tank.name} is worth enlarging first:</strong> its usable volume is enough for {formatDuration(
							first.lasts ?? 0
						)}.
					{:else}<strong>What you have is enough.</strong>{/if}
					{formatQuantity(answer.value.asLived.kg, 'mass', units)} of water when you set out{payloadOf(rig)
						? `, of ${formatQuantity(payloadOf(rig) ?? 0, 'mass', units)} that the weight plate allows for everything`
						: ''}.
				</p>
				<DataTable
					columns={[
						{ name: 'Tank' },
						{ name: 'Would need', number: true },
						{ name: 'Usable', number: true },
						{ name: 'Short by', number: true },
						{ name: 'Enough for', number: true, wide: true }
					]}
				>
					{#each rows as { tank, needL, hasL, lasts } (tank.id)}
						<tr>
							<th scope="row">{tank.name}<span class="soft">, {tank.holds}</span></th>
							<td class="number"><strong>{litres(needL)}</strong></td>
							<td class="number">{litres(hasL)}</td>
							<td class="number" class:mind={needL > hasL}>{needL > hasL ? litres(needL - hasL) : '—'}</td>
							<td class="number wide">{lasts === undefined ? 'longer' : formatDuration(lasts)}</td>
						</tr>
					{/each}
				</DataTable>
				<Chart
					spec={{
						kind: 'size',
						shown: {
							curves: rows.map(({ tank, byDay, hasL }) => ({
								name: tank.name,
								holds: tank.holds,
								needL: byDay,
								hasL
							})),
							units
						}
					}}
					theme={app.prefs.current.theme}
					label="Usable litres each tank would need, by days; rings show the tanks of {rig.name}"
				/>
				<p class="soft">
					Rings: what {rig.name} has today. {SIZES_COUNT}
					{#if spares.length > 0}The ways to save that are on save {spares
							.map(({ tank, spared }) => `${litres(spared)} in ${tank.name}`)
							.join(', ')}.{/if}
				</p>
			{:else if answer.waiting}<p class="soft">Playing it through…</p>{/if}
		</div>
		<Notice calm
			><p>
				{FITTING_CAUTION}
			</p></Notice
		>
	</Page>
{/if}

<style>
	.answer {
		display: grid;
		gap: var(--gap-3);
		min-height: 30rem;
		align-content: start;
	}
</style>
