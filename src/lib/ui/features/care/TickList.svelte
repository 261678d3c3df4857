<script lang="ts">
	import type { CareStepWords } from '$core/words';

	interface Props {
		steps: readonly (CareStepWords & { readonly key: string })[];
		ticked: readonly string[];
		ontick: (key: string, done: boolean) => void;
	}
	/** Steps in their order, to be ticked with wet hands. */
	const { steps, ticked, ontick }: Props = $props();
</script>

<ol>
	{#each steps as { key, does, how, caution } (key)}
		<li class:done={ticked.includes(key)}>
			<label>
				<input
					type="checkbox"
					checked={ticked.includes(key)}
					onchange={(event) => ontick(key, event.currentTarget.checked)}
				/>
				<strong>{does}</strong>
			</label>
			{#if how}<p>{how}</p>{/if}
			{#if caution}<p class="mind">{caution}</p>{/if}
		</li>
	{/each}
</ol>

<style>
	ol {
		width: 100%;
		max-width: 46rem;
	}
	li {
		border-top: var(--hairline);
		padding: var(--gap-2) 0;
	}
	label {
		display: grid;
		grid-template-columns: auto minmax(0, 1fr);
		gap: var(--gap-3);
		align-items: center;
		min-height: var(--touch);
	}
	input {
		width: 1.5rem;
		height: 1.5rem;
	}
	p {
		padding-left: calc(1.5rem + var(--gap-3));
	}
	p.mind {
		border: 0;
	}
	.done strong {
		text-decoration: line-through;
		font-weight: 400;
	}
	@media print {
		li {
			break-inside: avoid;
		}
	}
</style>
