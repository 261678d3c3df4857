<script lang="ts">
	import type { FrostNight, TypedNight } from '$core/care';
	import type { UnitChoice } from '$core/units';
	import { FROST_CAUTION, NO_FROST, sayFrostNight, sayFrostRisk } from '$core/words';
	import NumberField from '../../kit/fields/NumberField.svelte';
	import SelectField from '../../kit/fields/SelectField.svelte';

	interface Props {
		nights: readonly FrostNight[];
		/** a night that was typed, wherever the rig is */
		typed: TypedNight | undefined;
		/** somebody is usually there, until something else is said */
		aboard: boolean;
		nowMs: number;
		timeZone: string;
		units: UnitChoice;
		ontype: (night: TypedNight | undefined) => void;
	}
	/** The nights of frost ahead, and what freezes in them. */
	const { nights, typed, aboard, nowMs, timeZone, units, ontype }: Props = $props();

	let lived = $derived((typed?.lived ?? aboard) ? 'yes' : 'no');
</script>

<div id="frost">
	{#each nights as night (`${night.stop ?? ''}|${night.fromMs}`)}
		<p class="mind"><strong>{sayFrostNight(night, nowMs, timeZone, units)}</strong></p>
		<ol class="read">
			{#each night.risks as risk, i (i)}<li>{sayFrostRisk(risk, units)}</li>{/each}
		</ol>
	{:else}
		<p>
			{NO_FROST} Add a stop’s weather in <a href="/trip">Trip</a>.
		</p>
	{/each}
	<div class="fields">
		<NumberField
			label="Coldest in the next nights"
			value={typed?.minC}
			of="temperature"
			{units}
			optional
			hint="From your own forecast; it counts for two days."
			onchange={(minC) => ontype(minC === undefined ? undefined : { minC, lived: lived === 'yes' })}
		/>
		<SelectField
			label="On those nights"
			value={lived}
			options={[
				{ value: 'yes', label: 'someone sleeps aboard, heated' },
				{ value: 'no', label: 'no one is aboard' }
			]}
			onchange={(value) => {
				lived = value;
				if (typed) ontype({ ...typed, lived: value === 'yes' });
			}}
		/>
	</div>
	<p class="soft">{FROST_CAUTION}</p>
</div>

<style>
	#frost {
		display: grid;
		gap: var(--gap-2);
		width: 100%;
	}
</style>
