<script lang="ts">
	import { zonedIso, zonedMs } from '$core/time';
	import { CERTAINTIES } from '$core/words';
	import SelectField from '../../kit/fields/SelectField.svelte';
	import TextField from '../../kit/fields/TextField.svelte';
	import type { GoalChoice } from './goal';

	interface Props {
		choices: readonly GoalChoice[];
		untilMs: number;
		certainty: number;
		timeZone: string;
		onuntil: (ms: number) => void;
		oncertainty: (certainty: number) => void;
	}
	/** Until when one wants to stay, and how sure one wants to be. */
	const { choices, untilMs, certainty, timeZone, onuntil, oncertainty }: Props = $props();
	const OTHER = 'other';
	const known = $derived(choices.some(({ ms }) => ms === untilMs));
	let asked = $state(false);
	const other = $derived(asked || !known);
	const options = $derived([
		...choices.map(({ ms, label }) => ({ value: String(ms), label })),
		{ value: OTHER, label: 'another moment…' }
	]);
	const sure = $derived(
		CERTAINTIES.some(({ value }) => value === certainty)
			? CERTAINTIES
			: [...CERTAINTIES, { value: certainty, label: `${Math.round(100 * certainty)}%` }]
	);

	function pick(value: string): void {
		asked = value === OTHER;
		if (!asked) onuntil(Number(value));
	}
	function typed(local: string): void {
		const [day = '', clock = ''] = local.split('T');
		const [hour, minute] = clock.split(':').map(Number);
		if (/^\d{4}-\d\d-\d\d$/.test(day) && hour !== undefined && minute !== undefined)
			onuntil(zonedMs(day, timeZone, hour, minute));
	}
	const local = $derived(zonedIso(untilMs, timeZone).slice(0, 16));
</script>

<div class="goal">
	<SelectField label="Until" value={other ? OTHER : String(untilMs)} {options} onchange={pick} />
	{#if other}<TextField label="The moment" type="datetime-local" value={local} onchange={typed} />{/if}
	<SelectField
		label="and be"
		value={String(certainty)}
		options={sure.map(({ value, label }) => ({ value: String(value), label }))}
		onchange={(value) => oncertainty(Number(value))}
	/>
</div>

<style>
	.goal {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-2) var(--gap-3);
		align-items: end;
	}
	.goal :global(.field) {
		flex: 0 1 auto;
		max-width: 16rem;
	}
	@media (max-width: 640px) {
		.goal {
			display: grid;
			grid-template-columns: 1fr 1fr;
			width: 100%;
		}
		.goal :global(.field.long) {
			grid-column: auto;
		}
	}
</style>
