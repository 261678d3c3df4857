<script lang="ts">
	import type { Rig } from '$core/logbook';
	import { payloadOf } from '$core/rig';
	import { PLATE_DECIDES, sayPayloadLeft } from '$core/words';
	import type { App } from '$lib/state';
	import NumberField from '../../../kit/fields/NumberField.svelte';
	import { elseOf, keepElse } from './ofRig';

	interface Props {
		app: App;
		rig: Rig;
		/** what is about to be taken, and what water and waste weigh already, kg */
		takeKg: number;
		aboardKg: number;
	}
	/** What the payload leaves for it, after people and gear: nothing is said before those are. */
	const { app, rig, takeKg, aboardKg }: Props = $props();

	const units = $derived(app.prefs.current.units);
	const otherKg = $derived(elseOf(app, rig));
	const payloadKg = $derived(payloadOf(rig));
</script>

{#if payloadKg !== undefined}
	<NumberField
		label="People, food and gear aboard"
		value={otherKg}
		of="mass"
		{units}
		optional
		hint={otherKg === undefined
			? 'Everything the weight plate counts besides water: then you see what payload is left.'
			: undefined}
		onchange={(kg) => void keepElse(app, rig.id, kg)}
	/>
	{#if otherKg !== undefined}
		<p class:mind={payloadKg - otherKg - aboardKg < takeKg}>
			{sayPayloadLeft(payloadKg - otherKg - aboardKg, takeKg, units)}
			<span class="soft">{PLATE_DECIDES}</span>
		</p>
	{/if}
{/if}
