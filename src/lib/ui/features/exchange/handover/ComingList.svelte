<script lang="ts">
	import type { Choice, Coming } from '$core/logbook';
	import { sayComing, sayShared, type SharingContext } from '$core/words';
	import FoundList from '../FoundList.svelte';

	interface Props {
		coming: readonly Coming[];
		from: string;
		context: SharingContext;
		onchoose: (key: string, choice: Choice) => void;
	}
	/** What comes, one thing a line: first what is asked about, then what is new or changed. */
	const { coming, from, context, onchoose }: Props = $props();

	const asked = $derived(coming.filter(({ state }) => state === 'twin' || state === 'conflict'));
	const plain = $derived(coming.filter((one) => !asked.includes(one)));

	/** How what is proposed can be turned. */
	function turns(one: Coming): readonly { readonly says: string; readonly choice: Choice }[] {
		if (one.state === 'twin')
			return one.kept === 'one'
				? [{ says: 'These are two', choice: 'two' }]
				: [{ says: 'It is one', choice: 'one' }];
		if (one.state !== 'conflict') return [];
		const [mine, theirs] = [
			{ says: 'Keep yours', choice: 'mine' },
			{ says: `Keep ${from}’s`, choice: 'theirs' }
		] as const;
		return one.kept === 'both' ? [mine, theirs] : one.kept === 'mine' ? [theirs] : [mine];
	}
</script>

{#snippet line(one: Coming)}
	{@const says = sayShared(one.theirs, context)}
	<span class="what"
		>{says}{#if one.theirs.kind === 'entry' && one.theirs.value.by}<span class="soft small"
				>, {one.theirs.value.by}</span
			>{/if}</span
	>
	<span class="small" class:soft={one.state === 'new'}>{sayComing(one, from, context)}</span>
	{#each turns(one) as { says: name, choice } (choice)}
		<button class="small" aria-label="{name}: {says}" onclick={() => onchoose(one.key, choice)}>{name}</button
		>
	{/each}
{/snippet}

{#if asked.length > 0}
	<h2>Please check</h2>
	<FoundList label="To check" rows={asked} idOf={({ key }) => key} row={line} />
{/if}
{#if plain.length > 0}
	{#if asked.length > 0}<h2>The rest</h2>{/if}
	<FoundList label="What comes" rows={plain} idOf={({ key }) => key} row={line} />
{/if}

<style>
	h2 {
		font-size: var(--step-1);
	}
	.what {
		flex: 1 1 16rem;
		min-width: 0;
	}
</style>
