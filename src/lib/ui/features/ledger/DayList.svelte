<script lang="ts">
	import type { Entry } from '$core/logbook';
	import type { App } from '$lib/state';
	import { createVirtualizer } from '@tanstack/svelte-virtual';
	import { untrack } from 'svelte';
	import { get } from 'svelte/store';
	import InTurn from '../../kit/page/InTurn.svelte';
	import type { DayPart } from './byDay';
	import DayEntries from './DayEntries.svelte';

	interface Props {
		app: App;
		parts: readonly DayPart[];
		onedit: (entry: Entry) => void;
	}
	/** Days of the ledger: as many years as there are, of which those that are looked at are there. */
	const { app, parts, onedit }: Props = $props();

	/** what a day's head and an entry take up, and what lies between days, until they are measured, px */
	const [HEAD_PX, ENTRY_PX, BETWEEN_PX] = [40, 44, 24] as const;
	let list = $state<HTMLDivElement>();

	const days = createVirtualizer<HTMLElement, HTMLElement>({
		count: 0,
		getScrollElement: () => list?.closest('main') ?? null,
		estimateSize: () => HEAD_PX,
		overscan: 1
	});
	// The package keeps its own account of what is where: told when there is something else to show.
	$effect(() => {
		const shown = parts;
		const top = list?.offsetTop ?? 0;
		untrack(() =>
			get(days).setOptions({
				count: shown.length,
				scrollMargin: top,
				estimateSize: (i) =>
					(shown[i]?.whole ? HEAD_PX + BETWEEN_PX : 0) + ENTRY_PX * (shown[i]?.entries.length ?? 0),
				getItemKey: (i) => `${shown[i]?.day} ${shown[i]?.entries[0]?.id}`
			})
		);
	});
	/** days come one a frame as the ledger opens, and at once to who goes on */
	const scrolled = $derived(($days.scrollOffset ?? 0) > 0);
	const rows = $derived($days.getVirtualItems());

	/** Its height is measured once it is there, and whenever it changes. */
	const measured = (row: HTMLElement): void => get(days).measureElement(row);
</script>

<div class="list" bind:this={list} style:height="{$days.getTotalSize()}px">
	{#each rows as row (row.key)}
		{@const part = parts[row.index]}
		{#if part}
			<div
				class="row"
				data-index={row.index}
				style:transform="translateY({row.start - ($days.options.scrollMargin ?? 0)}px)"
				{@attach measured}
			>
				<InTurn atOnce={scrolled}>
					<DayEntries {app} {part} {onedit} />
					{#snippet meanwhile()}<div style:height="{row.size}px"></div>{/snippet}
				</InTurn>
			</div>
		{/if}
	{/each}
</div>

<style>
	.list {
		position: relative;
		/* The first day needs no distance to what stands over it. */
		margin-top: calc(-1 * var(--gap-4));
	}
	.row {
		position: absolute;
		inset: 0 0 auto;
	}
	@media print {
		.list {
			height: auto !important;
		}
		.row {
			position: static;
			transform: none !important;
		}
	}
</style>
