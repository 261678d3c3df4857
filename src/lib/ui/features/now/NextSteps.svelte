<script lang="ts">
	import { DAY_MS } from '$core/time';
	import type { Container } from '$core/logbook';
	import { withItem, withTank } from '$core/rig';
	import type { App } from '$lib/state';
	import { v7 as uuid } from 'uuid';
	import NumberField from '../../kit/fields/NumberField.svelte';
	import { noonOfFlag } from '../../parts/goal/noon';
	import { useShell } from '../../parts/acts/shellContext';
	import { notifyDone } from '../../parts/acts/notify';
	import { nextSteps, sampleLine, waveAway, type NextStep } from './nextSteps';

	/** What is worth doing next in a new log, each gone once done or waved away; and a line to try. */
	const { app }: { app: App } = $props();
	const shell = useShell();

	const rig = $derived(app.liveRig);
	const units = $derived(app.prefs.current.units);
	const steps = $derived(
		rig
			? nextSteps({
					rig,
					hasTrip: app.tripInView !== undefined,
					hasGoal: app.goal !== undefined,
					waved: app.prefs.current.waved?.[rig.id] ?? []
				})
			: []
	);
	const sample = $derived(rig && sampleLine(rig));
	const black = $derived(rig?.tanks.find(({ holds, portable }) => holds === 'black' && portable !== true));
	let toteL = $state<number | undefined>();
	let withTote = $state(false);

	const wave = (step: NextStep): void => {
		if (rig) void waveAway(app, rig.id, step);
	};
	const stay = (nights: number): Promise<void> =>
		app.aim({
			until: new Date(noonOfFlag(app.nowMs + nights * DAY_MS, app.nowMs, app.timeZone)).toISOString()
		});
	/** A tote keeps a twentieth free, for what the hose still holds. */
	const FREE = 0.05;
	const TARE_KG = 8;
	async function addTote(): Promise<void> {
		if (!rig || !(toteL && toteL > 0)) return;
		const tote: Container = {
			id: uuid(),
			name: 'Tote',
			carries: 'grey',
			capacityL: toteL,
			headroomL: Math.round(FREE * toteL),
			tareKg: TARE_KG,
			count: 1
		};
		const add = app.commands.change(
			'rig',
			rig.id,
			(newest) => ({ ...newest, containers: withItem(newest.containers, tote) }),
			'Tote added'
		);
		if (await add) notifyDone(app, 'Tote added');
	}
	async function byHand(): Promise<void> {
		if (!rig || !black) return;
		const { id, name } = black;
		const label = `${name} is carried by hand`;
		const change = app.commands.change(
			'rig',
			rig.id,
			(newest) => withTank(newest, id, { portable: true }),
			label
		);
		if (await change) notifyDone(app, label);
	}
</script>

{#snippet about(step: NextStep, asks: string, says: string, not: string)}
	<p>
		<strong>{asks}</strong>
		{says}
		<button class="why small" onclick={() => wave(step)} aria-label="{not}: {asks}">{not}</button>
	</p>
{/snippet}

{#if rig && (steps.length > 0 || sample)}
	<section aria-label="Worth doing next">
		{#if steps.length > 0}<h2>Worth doing next</h2>{/if}
		<ul>
			{#if steps.includes('meter')}
				<li>
					{@render about(
						'meter',
						'Do you own a flow meter?',
						'Enter its reading to add it. A meter beats any gauge.',
						'I have none'
					)}
					<p class="buttons">
						<button onclick={() => shell.line('pump meter ')}>At the pump</button>
						<button onclick={() => shell.line('hose meter ')}>On the fill hose</button>
					</p>
				</li>
			{/if}
			{#if steps.includes('dump')}
				<li>
					{@render about('dump', 'How do you dump?', 'Choose one to get the steps in order.', 'Not now')}
					<p class="buttons">
						<button onclick={() => wave('dump')}>By hose at a dump point</button>
						<button onclick={() => (withTote = !withTote)} aria-expanded={withTote}
							>With a tote or drum</button
						>
						{#if black}<button onclick={() => void byHand()}>{black.name} by hand</button>{/if}
					</p>
					{#if withTote}
						<div class="tote">
							<NumberField label="Size, to the brim" bind:value={toteL} of="volume" {units} />
							<button disabled={!toteL} onclick={() => void addTote()}>Add</button>
						</div>
					{/if}
				</li>
			{/if}
			{#if steps.includes('stay')}
				<li>
					{@render about(
						'stay',
						'Going somewhere, or staying?',
						'See where to fill, or how much you can use a day.',
						'Not now'
					)}
					<p class="buttons">
						<a class="as-button" href="/trip/lines">Plan a trip</a>
						<button onclick={() => void stay(3)}>We stay 3 nights</button>
						<button onclick={() => void stay(7)}>We stay a week</button>
					</p>
				</li>
			{/if}
		</ul>
		{#if sample}
			<p class="soft">
				Enter what happened in the line below, in your own words:
				<button class="why" onclick={() => shell.line(sample)}>{sample}</button>.
			</p>
		{/if}
	</section>
{/if}

<style>
	section {
		display: grid;
		gap: var(--gap-2);
	}
	h2 {
		font-size: var(--step-1);
	}
	li {
		display: grid;
		gap: var(--gap-2);
		border-top: var(--hairline);
		padding: var(--gap-2) 0 var(--gap-3);
	}
	.tote {
		display: flex;
		gap: var(--gap-3);
		align-items: end;
	}
</style>
