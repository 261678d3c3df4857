<script lang="ts">
	import { writersOf } from '$core/logbook';
	import { sayLastShared } from '$core/words';
	import type { App } from '$lib/state';
	import type { Sharing } from '$lib/state/sharing.svelte';
	import TextField from '../../../kit/fields/TextField.svelte';

	interface Props {
		app: App;
		sharing: Sharing;
		onchoose: (name: string) => void;
	}
	/** Who keeps the same log: those who are known, those whose names stand under entries, or a new name. */
	const { app, sharing, onchoose }: Props = $props();
	const own = $derived(app.prefs.current.by);
	const others = $derived(
		writersOf(app.rigEntries).filter((name) => name !== own && sharing.partner(name) === undefined)
	);
	let name = $state('');
	const fit = $derived(name.trim());
</script>

{#if sharing.partners.length > 0}
	<ul>
		{#each sharing.partners as partner (partner.name)}
			<li>
				<button class="primary" onclick={() => onchoose(partner.name)}>{partner.name}</button>
				<span class="soft small">{sayLastShared(partner, app.nowMs, app.timeZone)}</span>
				<button
					class="quiet small"
					aria-label="Forget {partner.name}"
					onclick={() => void sharing.forget(partner.name)}>Forget</button
				>
			</li>
		{/each}
	</ul>
{/if}
{#if others.length > 0}
	<p class="buttons">
		{#each others as other (other)}<button onclick={() => onchoose(other)}>{other}</button>{/each}
	</p>
{/if}
<form
	class="buttons"
	onsubmit={(event) => {
		event.preventDefault();
		if (fit !== '') onchoose(fit);
	}}
>
	<TextField
		label={sharing.partners.length + others.length > 0 ? 'Someone else' : 'Their name'}
		bind:value={name}
		maxlength={60}
	/>
	<button disabled={fit === ''}>Next</button>
</form>

<style>
	ul {
		width: 100%;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-1) var(--gap-3);
		align-items: center;
		padding: 0.2rem 0;
	}
	form {
		align-items: end;
	}
</style>
