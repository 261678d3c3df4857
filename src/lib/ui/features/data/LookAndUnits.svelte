<script lang="ts">
	import { UNIT_CHOICES, type UnitChoice } from '$core/units';
	import type { App, Theme } from '$lib/state';
	import SelectField from '../../kit/fields/SelectField.svelte';
	import TextField from '../../kit/fields/TextField.svelte';

	/** What is chosen on this device: theme, units, the name put to entries. */
	const { app }: { app: App } = $props();
	// svelte-ignore state_referenced_locally
	let by = $state(app.prefs.current.by ?? '');

	const THEMES: readonly { value: Theme; label: string; hint: string }[] = [
		{ value: 'day', label: 'Day', hint: 'paper, for bright sun' },
		{ value: 'dusk', label: 'Dusk', hint: 'dark, for the evening' },
		{ value: 'night', label: 'Night', hint: 'deep red, for eyes used to the dark' }
	];
	const setUnit = (key: keyof UnitChoice, value: string): Promise<void> =>
		app.choose(({ units }) => ({ units: { ...units, [key]: value } as UnitChoice }));
</script>

<fieldset class="themes">
	<legend class="small">Theme</legend>
	{#each THEMES as { value, label, hint } (value)}
		<label class="check"
			><input
				type="radio"
				name="theme"
				{value}
				checked={app.prefs.current.theme === value}
				onchange={() => void app.choose({ theme: value })}
			/>
			<span>{label}<span class="soft">, {hint}</span></span></label
		>
	{/each}
</fieldset>
<div class="fields">
	{#each UNIT_CHOICES as { of, label, options } (of)}
		<SelectField
			{label}
			{options}
			value={app.prefs.current.units[of]}
			onchange={(value) => void setUnit(of, value)}
		/>
	{/each}
	<TextField
		label="Your name on entries"
		bind:value={by}
		onchange={(value) => void app.choose({ by: value.trim() === '' ? undefined : value.trim() })}
		maxlength={60}
	/>
</div>
<p class="soft small">The file itself is always in litres, millimetres, kilograms and kilometres.</p>

<style>
	.themes {
		border: 0;
		padding: 0;
		display: flex;
		flex-wrap: wrap;
		gap: 0 var(--gap-4);
	}
</style>
