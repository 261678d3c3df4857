<script lang="ts">
	import type { App } from '$lib/state';
	import TextField from '../../../kit/fields/TextField.svelte';

	/** One's own name, once: what is shared says whose it is. */
	const { app, to }: { app: App; to: string } = $props();
	let name = $state('');
	const fit = $derived(name.trim());
</script>

<form
	class="buttons"
	onsubmit={(event) => {
		event.preventDefault();
		if (fit !== '') void app.choose({ by: fit });
	}}
>
	<TextField label="Your name, for {to}" bind:value={name} maxlength={60} />
	<button class="primary" disabled={fit === ''}>Next</button>
</form>

<style>
	form {
		align-items: end;
	}
</style>
