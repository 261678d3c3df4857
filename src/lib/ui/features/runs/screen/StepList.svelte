<script lang="ts">
	import type { RunStep } from '$core/runs';
	import type { Snippet } from 'svelte';

	interface Props {
		steps: readonly {
			readonly step: RunStep;
			readonly does: string;
			readonly answered: string | undefined;
		}[];
		/** the key of the step that is due */
		at: string;
		onback: (step: RunStep) => void;
		/** what stands under the step that is due */
		due: Snippet;
	}
	/** The steps of a run: what is done can be gone back to, what is due stands out. */
	const { steps, at, onback, due }: Props = $props();

	/** of what is done only the last step is shown, so that the one that is due is under the eyes */
	const KEPT = 1;
	let all = $state(false);
	const folded = $derived(all ? 0 : Math.max(0, steps.findIndex(({ step }) => step.key === at) - KEPT));
</script>

<ol>
	{#if folded > 1}
		<li class="over">
			<span class="n" aria-hidden="true">✓</span>
			<button class="quiet" onclick={() => (all = true)}>{folded} steps done: show them</button>
		</li>
	{/if}
	{#each steps.slice(folded > 1 ? folded : 0) as { step, does, answered }, shown (step.key)}
		{@const i = shown + (folded > 1 ? folded : 0)}
		<li
			class:due={step.key === at}
			class:over={answered !== undefined}
			aria-current={step.key === at && 'step'}
		>
			<span class="n" aria-hidden="true"
				>{answered === undefined ? i + 1 : answered === 'skipped' ? '–' : '✓'}</span
			>
			{#if answered !== undefined}
				<button class="quiet" onclick={() => onback(step)} aria-label="Back to: {does}">{does}</button>
			{:else}<span>{does}</span>{/if}
			{#if step.key === at}<div class="tells">{@render due()}</div>{/if}
		</li>
	{/each}
</ol>

<style>
	ol {
		border-bottom: var(--hairline);
	}
	li {
		display: grid;
		grid-template-columns: 1.6rem minmax(0, 1fr);
		gap: var(--gap-1);
		align-items: center;
		padding: 0.45rem 0;
		border-top: var(--hairline);
	}
	.over {
		color: var(--soft-ink);
	}
	.over button {
		text-align: left;
		text-decoration: none;
		padding: 0;
		min-height: 0;
	}
	.due {
		font-weight: 650;
		font-size: 1.25rem;
		line-height: 1.25;
	}
	.tells {
		grid-column: 2;
		display: grid;
		gap: var(--gap-2);
		font-weight: 400;
		font-size: var(--step-0);
	}
	.n {
		font-variant-numeric: tabular-nums;
	}
</style>
