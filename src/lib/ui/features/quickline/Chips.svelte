<script lang="ts">
	interface Props {
		chips: readonly string[];
		/** they stand here even while the line has no focus */
		always: boolean;
		undo: { readonly label: string; readonly does: () => void } | undefined;
		ontake: (line: string) => void;
	}
	/** What is likely next, or may be asked, over an empty line. */
	const { chips, always, undo, ontake }: Props = $props();
</script>

{#if chips.length > 0}
	<div class:always={always || undo !== undefined} aria-label="Likely next" role="group">
		{#if undo}<button type="button" class="undo" onclick={undo.does}>Undo {undo.label}</button>{/if}
		{#each chips as chip, i (i)}
			<button type="button" onclick={() => ontake(chip)}>{chip}</button>
		{/each}
	</div>
{/if}

<style>
	/* Chips are for the thumb, and for who does not know yet what can be said. */
	div {
		display: none;
		gap: var(--gap-2);
		overflow-x: auto;
		background: var(--shoal);
	}
	:global(.quickline:focus-within) div {
		display: flex;
		position: absolute;
		inset: auto 0 100%;
		padding: var(--gap-2) 0;
	}
	button {
		flex: none;
		font-size: var(--step--1);
		border-color: var(--line);
	}
	.undo {
		max-width: 12rem;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
		border-color: var(--ink);
	}
	@media (pointer: coarse), (max-width: 640px) {
		.always,
		:global(.quickline:focus-within) div {
			display: flex;
			position: static;
			padding: 0 0 var(--gap-2);
		}
		button {
			min-height: var(--touch);
		}
	}
</style>
