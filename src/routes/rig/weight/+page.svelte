<script lang="ts">
	import { zonedTime } from '$core/logbook';
	import type { AboardAtStop } from '$core/plan';
	import { fullLoad, spareLitres, weightOf } from '$core/rig';
	import { formatLitres, formatQuantity } from '$core/units';
	import { useApp } from '$lib/state';
	import { dayText } from '$lib/ui/describe';
	import Notice from '$lib/ui/Notice.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import RigPlan from '$lib/ui/RigPlan.svelte';

	const app = useApp();
	const units = $derived(app.prefs.current.units);
	const rig = $derived(app.rig);
	const kg = (mass: number): string => formatQuantity(mass, 'mass', units);
	let otherKg = $state<number | undefined>(0);
	let stops = $state.raw<readonly AboardAtStop[]>([]);
	let trouble = $state('');
	let run = 0;

	// Asks the worker when the log or the trip changes; a late answer is dropped.
	$effect(() => {
		const asked = ++run;
		void app.assessment;
		app.aboard().then(
			(found) => {
				if (asked === run) stops = found;
			},
			(error: unknown) => (trouble = error instanceof Error ? error.message : String(error))
		);
	});
	const now = $derived(new Map(app.assessment?.levels.tanks.map(({ id, litres }) => [id, litres])));
	const rows = $derived.by(() => {
		if (!rig) return [];
		return [
			{ name: 'Now', when: '', litres: now },
			...stops.map((stop) => ({
				name: app.trip?.stops.find(({ id }) => id === stop.stop)?.name ?? stop.stop,
				when: `${dayText(zonedTime(stop.atMs, app.timeZone).day)}, leaving`,
				litres: stop.onDeparture
			})),
			{ name: 'Everything full', when: 'the most it can come to', litres: fullLoad(rig) }
		].map((row) => ({ ...row, weight: weightOf(rig, row.litres) }));
	});
	const spare = $derived(rig && spareLitres(rig, now, otherKg ?? 0));
	const heaviest = $derived(Math.max(0, ...rows.map(({ weight }) => weight.totalKg)));
	const over = $derived(
		rig?.payloadKg !== undefined && heaviest + (otherKg ?? 0) > rig.payloadKg
			? heaviest + (otherKg ?? 0) - rig.payloadKg
			: 0
	);
	const side = (value: number, plus: string, minus: string): string =>
		Math.abs(value) < 0.5 ? 'even' : `${Math.round(Math.abs(value))} ${value > 0 ? plus : minus}`;
	const placed = $derived(rig?.tanks.some(({ position }) => position) ?? false);
</script>

{#if rig}
	<div class="page">
		<header>
			<p><a href="/rig">Rig</a></p>
			<h1>
				{spare ? formatLitres(spare.litres, units) : ''} more
				<span class="soft"
					>{spare?.limit === 'payload'
						? 'may come aboard before the payload is used up'
						: 'fit in the fresh tanks' + (rig.payloadKg ? ', and the payload allows it' : '')}</span
				>
			</h1>
			<p class="soft">
				A litre weighs a kilogram. {rig.payloadKg
					? `Payload by the plate: ${kg(rig.payloadKg)}.`
					: 'Put the payload of the plate into “Change rig” to see its share.'}
			</p>
		</header>
		{#if rig.payloadKg}
			<div class="field">
				<NumberField
					label="Else aboard of the payload"
					bind:value={otherKg}
					of="mass"
					{units}
					hint="People, food, gear: all that the plate counts."
				/>
			</div>
		{/if}
		{#if over > 0}<Notice
				><p>
					Full, it would be {kg(over)} over the payload. Take less water, or leave something behind.
				</p></Notice
			>{/if}
		<section>
			<h2>Water and waste</h2>
			<div class="scroll">
				<table>
					<thead
						><tr
							><th scope="col">When</th><th scope="col" class="number">Fresh</th><th
								scope="col"
								class="number">Waste</th
							><th scope="col" class="number">In all</th>{#if rig.payloadKg}<th scope="col" class="number"
									>of the payload</th
								>{/if}{#if placed}<th scope="col" class="number wide">fore–aft, kg·m</th><th
									scope="col"
									class="number wide">side to side, kg·m</th
								>{/if}</tr
						></thead
					>
					<tbody>
						{#each rows as { name, when, weight }, i (i)}
							<tr>
								<th scope="row">{name}<span class="soft">{when ? `, ${when}` : ''}</span></th>
								<td class="number">{kg(weight.freshKg)}</td>
								<td class="number">{kg(weight.wasteKg)}</td>
								<td class="number"><strong>{kg(weight.totalKg)}</strong></td>
								{#if rig.payloadKg}<td class="number">{Math.round(100 * (weight.payloadShare ?? 0))} %</td
									>{/if}
								{#if placed}<td class="number wide">{side(weight.momentForeKgM, 'fore', 'aft')}</td><td
										class="number wide">{side(weight.momentPortKgM, 'to port', 'to starboard')}</td
									>{/if}
							</tr>
						{/each}
					</tbody>
				</table>
			</div>
			{#if trouble}<p class="mind" role="alert">{trouble}</p>{/if}
			<p class="soft">
				In all counts the empty weight of jugs and cassettes too, and what lies below a suction.
			</p>
		</section>
		<section>
			<h2>Where it lies now</h2>
			{#if placed}
				<RigPlan {rig} litres={now} />
				<p class="soft">
					The cross is where the placed tanks balance.{rows[0] && rows[0].weight.unplaced.length > 0
						? ` Without a place: ${rig.tanks
								.filter(({ id }) => rows[0]?.weight.unplaced.includes(id))
								.map(({ name }) => name)
								.join(', ')}.`
						: ''}
				</p>
			{:else}<p class="soft">
					Say in each tank’s form where it stands, forward and to port of a datum of your choice, to see the
					balance.
				</p>{/if}
		</section>
		<Notice
			><p>
				The plates and a weighbridge decide: payload, each axle, the hitch or the ball. This is water and
				waste only.
			</p></Notice
		>
	</div>
{/if}

<style>
	.page {
		padding: 1.4rem var(--gap-4) var(--gap-4);
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: var(--gap-4);
		align-content: start;
		max-width: 66rem;
	}
	header,
	section {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: var(--gap-2);
		min-width: 0;
	}
	h1 .soft {
		font: 400 var(--step-1) var(--text);
		letter-spacing: 0;
	}
	h2 {
		font-size: var(--step-1);
	}
	.field {
		max-width: 16rem;
	}
	.scroll {
		overflow-x: auto;
	}
	th,
	td {
		padding: 0.3rem 0.8rem 0.3rem 0;
		border-top: var(--hairline);
	}
	td.number {
		white-space: nowrap;
	}
	thead th {
		border: 0;
		font-size: var(--step--1);
		color: var(--soft-ink);
	}
	thead .number {
		text-align: right;
	}
	.mind {
		color: var(--caution);
	}
	@media (max-width: 800px) {
		.page {
			padding: var(--gap-3);
		}
		.wide {
			display: none;
		}
	}
</style>
