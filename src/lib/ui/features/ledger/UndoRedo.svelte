<script lang="ts">
	interface Props {
		/** what would be undone; nothing where there is nothing */
		last: string | undefined;
		canRedo: boolean;
		onundo: () => void;
		onredo: () => void;
	}
	/** What was done last is undone, and done again. */
	const { last, canRedo, onundo, onredo }: Props = $props();
</script>

<p class="buttons">
	<button disabled={last === undefined} onclick={onundo}>Undo{last === undefined ? '' : `: ${last}`}</button>
	<button disabled={!canRedo} onclick={onredo}>Redo</button>
</p>

<style>
	p {
		margin-left: auto;
		min-width: 0;
	}
	button {
		max-width: 22rem;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	@media (max-width: 800px) {
		p {
			margin-left: 0;
		}
	}
</style>
