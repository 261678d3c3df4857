<script lang="ts">
	import type { EntryDraft, Gauge } from '$core/logbook';
	import { instantMs } from '$core/logbook';
	import { sayPast } from '$core/words';
	import { listed, sayHappening, type Happening } from '$core/words';
	import type { App } from '$lib/state';
	import NumberField from '../../kit/fields/NumberField.svelte';
	import Sheet from '../../kit/page/Sheet.svelte';
	import { logSaying } from '../../parts/acts/notify';
	import { lastShown, lightsOf } from './glance';

	interface Props {
		app: App;
		onclose: () => void;
	}
	/** All gauges side by side, each at what it showed last: what has changed is tapped, and all is logged at once. */
	const { app, onclose }: Props = $props();

	const rig = $derived(app.liveRig);
	const gauges = $derived(
		(rig?.instruments ?? []).filter((one): one is Gauge => one.kind === 'gauge' && !one.retired)
	);
	const last = $derived(lastShown(app.rigEntries, app.nowMs));
	let chosen = $state.raw<Readonly<Record<string, string | number>>>({});
	const shown = (id: string): string | number | undefined => chosen[id] ?? last.get(id)?.value;
	const readable = $derived(gauges.filter(({ id }) => shown(id) !== undefined));
	const changed = $derived(
		gauges.some(({ id }) => chosen[id] !== undefined && chosen[id] !== last.get(id)?.value)
	);
	const oldest = $derived(
		Math.min(
			...gauges.flatMap(({ id }) =>
				chosen[id] === undefined && last.has(id) ? [instantMs(last.get(id)?.at ?? '')] : []
			)
		)
	);

	const put = (id: string, value: string | number | undefined): void => {
		const { [id]: _before, ...others } = chosen;
		chosen = value === undefined ? others : { ...others, [id]: value };
	};
	const tankOf = ({ tank }: Gauge): string => rig?.tanks.find(({ id }) => id === tank)?.name ?? '';

	async function log(): Promise<void> {
		if (!rig) return;
		const happenings = readable.map(({ id }): Happening => ({
			kind: 'reading',
			instrument: id,
			value: shown(id) as string | number
		}));
		const telling = {
			rig,
			nowMs: app.nowMs,
			timeZone: app.timeZone,
			units: app.prefs.current.units,
			trip: app.tripAtHand,
			litresEach: new Map()
		};
		const says = listed(happenings.map((one) => sayHappening(one, telling)));
		const drafts = happenings.map((one) => ({ ...one, source: 'hand', ...app.nowOnTrip() }) as EntryDraft);
		if (await logSaying(app, drafts, says)) onclose();
	}
</script>

<Sheet title="What do the gauges show?" {onclose}>
	<div class="gauges">
		{#each gauges as gauge (gauge.id)}
			{@const lights = lightsOf(gauge)}
			<fieldset>
				<legend>{tankOf(gauge)} <span class="soft small">{gauge.name}</span></legend>
				{#if lights.length > 0}
					{#each lights as light (light)}
						<label class:on={shown(gauge.id) === light}
							><input
								type="radio"
								name={gauge.id}
								checked={shown(gauge.id) === light}
								onchange={() => put(gauge.id, light)}
							/>{light}</label
						>
					{/each}
				{:else}
					<NumberField
						label="Shows"
						value={shown(gauge.id) as number | undefined}
						onchange={(value) => put(gauge.id, value)}
					/>
				{/if}
			</fieldset>
		{/each}
	</div>
	{#if Number.isFinite(oldest)}<p class="soft small">
			What you don’t tap stays as it was {sayPast(oldest, app.nowMs, app.timeZone)}.
		</p>{/if}
	<p class="buttons">
		<button class="primary" disabled={readable.length === 0} onclick={() => void log()}
			>{changed ? 'Log' : 'As last time'}</button
		>
		<button onclick={onclose}>Cancel</button>
	</p>
</Sheet>

<style>
	.gauges {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(7rem, 1fr));
		gap: var(--gap-3);
	}
	fieldset {
		border: var(--hairline);
		border-radius: var(--corner);
		padding: var(--gap-2);
		display: flex;
		/* As on the panel: full stands at the top. */
		flex-direction: column-reverse;
		justify-content: flex-end;
		gap: var(--gap-1);
		min-width: 0;
	}
	label {
		display: flex;
		align-items: center;
		gap: var(--gap-2);
		min-height: var(--touch);
		padding: 0 var(--gap-2);
		border-radius: var(--corner);
	}
	.on {
		background: var(--shoal);
		font-weight: 600;
	}
</style>
