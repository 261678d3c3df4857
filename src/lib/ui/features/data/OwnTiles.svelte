<script lang="ts">
	import type { App } from '$lib/state';
	import TextField from '../../kit/fields/TextField.svelte';
	import { allowTiles, tilesWrong } from '../../parts/map/ownTiles';

	/** The address of one's own tile server, off by default: the page may ask nothing else of any network. */
	const { app }: { app: App } = $props();
	// svelte-ignore state_referenced_locally
	let address = $state(app.prefs.current.tiles ?? '');
	const wrong = $derived(address.trim() === '' ? undefined : tilesWrong(address.trim()));
	const same = $derived(address.trim() === (app.prefs.current.tiles ?? ''));

	async function set(): Promise<void> {
		const tiles = address.trim() === '' ? undefined : address.trim();
		await app.choose({ tiles });
		allowTiles(tiles);
		// The page's policy is fixed when it is loaded.
		location.reload();
	}
</script>

<TextField
	label="Tiles for the map, from your own server"
	bind:value={address}
	maxlength={400}
	hint="Leave blank for none: the map then uses no network. For example https://maps.example/tiles/{'{z}/{x}/{y}'}.png"
	error={wrong}
/>
<p class="buttons">
	<button disabled={same || wrong !== undefined} onclick={() => void set()}
		>{address.trim() === '' ? 'Switch tiles off' : 'Use these tiles'}</button
	>
	<span class="soft small"
		>The page reloads, with a policy that allows pictures from that server and no other.</span
	>
</p>
