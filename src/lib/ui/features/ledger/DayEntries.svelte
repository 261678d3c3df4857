<script lang="ts">
	import { totalsOf } from '$core/habits';
	import { instantMs, type Entry } from '$core/logbook';
	import { clockText, dayText, describeEntry, sayDoubt, sayTotals } from '$core/words';
	import type { App } from '$lib/state';
	import { Ellipsis } from 'lucide';
	import Icon from '../../kit/Icon.svelte';
	import type { DayPart } from './byDay';
	import { kindWord } from './filter';
	import { mendSaying, notifyDone } from '../../parts/acts/notify';

	interface Props {
		app: App;
		part: DayPart;
		onedit: (entry: Entry) => void;
	}
	/** What was written down on one day, what it adds up to, and what can be done to each entry. */
	const { app, part, onedit }: Props = $props();
	const { day, entries, whole } = $derived(part);

	const units = $derived(app.prefs.current.units);
	const levels = $derived(app.engine.assessment?.levels);
	const litresEach = $derived(
		new Map(
			levels?.habits.map((habit) => [habit.id, habit.litresEach]) ??
				app.rig?.habits.map(({ id, litresEach: { mean } }) => [id, mean])
		)
	);
	const doubts = $derived(new Map(levels?.doubts.map((doubt) => [doubt.entry, sayDoubt(doubt, units)])));
	/** on a phone the acts of an entry come with a tap */
	let opened = $state<string>();
	const say = (entry: Entry): string =>
		app.rig ? describeEntry(entry, { rig: app.rig, trips: app.records.trips, units }) : '';

	async function flip(entry: Entry): Promise<void> {
		const label = entry.void ? 'Entry restored' : 'Entry voided';
		if (await app.commands.setVoid([entry.id], !entry.void, label))
			notifyDone(app, `${label}: ${say(entry)}`);
	}
	const trust = (entry: Entry): Promise<void> =>
		mendSaying(app, { kind: 'trust', entry: entry.id }, 'Count it anyway');
</script>

<section class:begins={whole !== undefined} aria-label={dayText(day)}>
	{#if whole}
		<h2>{dayText(day)}<span class="totals">{sayTotals(totalsOf(whole, litresEach), units)}</span></h2>
	{/if}
	<ul>
		{#each entries as entry (entry.id)}
			{@const said = say(entry)}
			<li class:void={entry.void} class:opened={opened === entry.id}>
				<span class="time">{clockText(entry.at, app.timeZone)}</span>
				<span class="what">
					<span class="text">{said}</span>{#if entry.by}<span class="by soft small">, {entry.by}</span>{/if}
					{#if entry.kind === 'use' && entry.heard}<span class="tag soft">heard</span>{/if}
					{#if entry.void}<span class="tag">void</span>{/if}
					{#if instantMs(entry.at) > app.nowMs}<span class="tag mind">in the future</span>{/if}
					{#if doubts.has(entry.id)}<span class="doubt mind small"
							>Left out. {doubts.get(entry.id)}
							<button class="quiet small" onclick={() => void trust(entry)} aria-label="Count {said} anyway"
								>Count it anyway</button
							></span
						>{/if}
					{#if entry.note && entry.kind !== 'note'}<span class="soft">{entry.note}</span>{/if}
				</span>
				<span class="soft wide">{kindWord(entry, app.rig)}{entry.by ? `, ${entry.by}` : ''}</span>
				<button
					class="quiet opens"
					aria-expanded={opened === entry.id}
					aria-label="What can be done with {said}"
					onclick={() => (opened = opened === entry.id ? undefined : entry.id)}
					><Icon icon={Ellipsis} /></button
				>
				<span class="acts">
					{#if !entry.void}<button
							class="quiet small"
							onclick={() => onedit(entry)}
							aria-label="Correct {said}">Correct</button
						>
						<a
							class="small"
							href="/rig?trace={encodeURIComponent(entry.id)}"
							aria-label="Follow {said} through the rig">Follow</a
						>{/if}
					<button
						class="quiet small"
						onclick={() => void flip(entry)}
						aria-label="{entry.void ? 'Restore' : 'Void'} {said}">{entry.void ? 'Restore' : 'Void'}</button
					>
				</span>
			</li>
		{/each}
	</ul>
</section>

<style>
	.begins {
		padding-top: var(--gap-4);
	}
	h2 {
		font-size: var(--step-1);
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-1) var(--gap-3);
		align-items: baseline;
		padding-bottom: var(--gap-2);
	}
	.totals {
		font: 450 var(--step-0) var(--text);
		letter-spacing: 0;
		color: var(--soft-ink);
	}
	li {
		display: grid;
		grid-template-columns: 3.6rem minmax(0, 1fr) 11rem auto;
		gap: 0 var(--gap-2);
		align-items: baseline;
		border-top: var(--hairline);
		padding: 0.2rem 0;
	}
	.time {
		font-variant-numeric: tabular-nums;
		color: var(--soft-ink);
	}
	.what {
		overflow-wrap: anywhere;
	}
	li.void .text {
		text-decoration: line-through;
		color: var(--soft-ink);
	}
	.tag {
		font-size: var(--step--1);
		border: 1px solid currentColor;
		border-radius: var(--corner);
		padding: 0 0.3rem;
	}
	/* Where the column of kinds and writers has no room. */
	.by {
		display: none;
	}
	.doubt {
		display: block;
	}
	.acts {
		display: flex;
		align-items: baseline;
	}
	.acts a {
		padding: 0 0.5rem;
		text-underline-offset: 3px;
	}
	.opens {
		display: none;
	}
	@media (max-width: 800px) {
		.by {
			display: inline;
		}
		li {
			position: relative;
			grid-template-columns: 3.2rem minmax(0, 1fr) auto var(--touch);
			min-height: var(--touch);
			align-items: center;
		}
		/* The whole row is its button; what stands in it for itself lies above. */
		.opens {
			display: inline-flex;
			justify-content: center;
			align-items: center;
			grid-column: 4;
			grid-row: 1;
			color: var(--soft-ink);
		}
		.opens::after {
			content: '';
			position: absolute;
			inset: 0;
		}
		.doubt button,
		.acts {
			position: relative;
			z-index: 1;
		}
		.acts {
			display: none;
			grid-column: 2 / -1;
			margin-left: -0.5rem;
			align-items: center;
		}
		.opened .acts {
			display: flex;
		}
	}
</style>
