<script lang="ts">
	import { inOrder, instantMs, restored, voided, zonedTime, type Entry, type EntryKind } from '$core/logbook';
	import { totalsOf } from '$core/habits';
	import { formatLitres } from '$core/units';
	import { useApp } from '$lib/state';
	import { clockText, dayText, describeEntry, KIND_WORDS, tanksOf } from '$lib/ui/describe';
	import Findings from '$lib/ui/Findings.svelte';
	import { mending } from '$lib/ui/mending';
	import EntryForm from '$lib/ui/EntryForm.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import { toast } from '$lib/ui/toast.svelte';

	const app = useApp();
	const mended = mending(app);
	const DAYS_AT_ONCE = 10;
	let tank = $state('');
	let kind = $state('');
	let withVoid = $state(false);
	let days = $state(DAYS_AT_ONCE);
	let editing = $state.raw<Entry>();

	const units = $derived(app.prefs.current.units);
	const context = $derived(app.rig && { rig: app.rig, trips: app.trips, units });
	const litresEach = $derived(
		new Map(
			app.assessment?.levels.habits.map((habit) => [habit.id, habit.litresEach]) ??
				app.rig?.habits.map(({ id, litresEach: { mean } }) => [id, mean])
		)
	);
	const doubts = $derived(new Map(app.assessment?.levels.doubts.map((doubt) => [doubt.entry, doubt.why])));
	const shown = $derived(
		inOrder(
			app.rigEntries.filter(
				(entry) =>
					(withVoid || entry.void !== true) &&
					(kind === '' || entry.kind === kind) &&
					(tank === '' || (app.rig && tanksOf(entry, app.rig).includes(tank)))
			)
		).toReversed()
	);
	const byDay = $derived.by(() => {
		const groups = new Map<string, Entry[]>();
		for (const entry of shown) {
			const { day } = zonedTime(instantMs(entry.at), app.timeZone);
			const group = groups.get(day);
			if (group) group.push(entry);
			else groups.set(day, [entry]);
		}
		return [...groups];
	});
	const kinds = Object.entries(KIND_WORDS) as [EntryKind, string][];

	function totalText(entries: readonly Entry[]): string {
		const { usedL, filledL, unmeasuredFills, dumps } = totalsOf(entries, litresEach);
		const fills =
			unmeasuredFills === 0
				? ''
				: `${unmeasuredFills} ${unmeasuredFills === 1 ? 'fill' : 'fills'} unmeasured`;
		return [
			usedL > 0 && `${formatLitres(usedL, units)} used`,
			filledL > 0 && `${formatLitres(filledL, units)} filled`,
			fills,
			dumps > 0 && `${dumps} ${dumps === 1 ? 'dump' : 'dumps'}`
		]
			.filter(Boolean)
			.join(', ');
	}

	async function flip(entry: Entry): Promise<void> {
		const now = new Date().toISOString();
		const label = entry.void ? 'Entry brought back' : 'Entry voided';
		const kept = await app.commit(
			[{ kind: 'entry', value: entry.void ? restored(entry, now) : voided(entry, now) }],
			label
		);
		if (kept)
			toast(`${label}: ${context ? describeEntry(entry, context) : ''}`, {
				action: { label: 'Undo', onClick: () => void app.undo() }
			});
	}
</script>

<div class="page">
	<h1>Ledger</h1>
	<div class="filters">
		<SelectField
			label="Tank"
			bind:value={tank}
			options={[
				{ value: '', label: 'all tanks' },
				...(app.rig?.tanks ?? []).map(({ id, name }) => ({ value: id, label: name }))
			]}
		/>
		<SelectField
			label="Kind"
			bind:value={kind}
			options={[{ value: '', label: 'all kinds' }, ...kinds.map(([value, label]) => ({ value, label }))]}
		/>
		<label class="check"><input type="checkbox" bind:checked={withVoid} /> show voided</label>
		<p class="history">
			<button disabled={app.history.done.length === 0} onclick={() => void app.undo()}
				>Undo{app.history.done.length > 0 ? `: ${app.history.done.at(-1)?.label}` : ''}</button
			>
			<button disabled={app.history.undone.length === 0} onclick={() => void app.redo()}>Redo</button>
		</p>
	</div>
	{#if app.assessment}
		<Findings
			findings={app.assessment.findings.filter(
				({ finding }) => finding.kind === 'missing' || finding.kind === 'slip'
			)}
			onmend={(mend, label) => void mended(mend, label)}
		/>
	{/if}
	{#if byDay.length === 0}
		<p class="soft">
			Nothing here{kind || tank ? ' for this filter' : ' yet'}. Write what happened in the line below.
		</p>
	{/if}
	{#each byDay.slice(0, days) as [day, entries] (day)}
		<section aria-label={dayText(day)}>
			<h2>{dayText(day)}<span class="totals">{totalText(entries)}</span></h2>
			<ul>
				{#each entries as entry (entry.id)}
					<li class:void={entry.void}>
						<span class="time">{clockText(entry.at, app.timeZone)}</span>
						<span class="what">
							{#if context}<span class="text">{describeEntry(entry, context)}</span>{/if}
							{#if entry.void}<span class="tag">void</span>{/if}
							{#if instantMs(entry.at) > app.nowMs}<span class="tag mind">in the future</span>{/if}
							{#if doubts.has(entry.id)}<span class="doubt"
									>Left out. {doubts.get(entry.id)}
									<button
										class="quiet"
										onclick={() => void mended({ kind: 'trust', entry: entry.id }, 'Count it all the same')}
										aria-label="Count {context ? describeEntry(entry, context) : ''} all the same"
										>Count it all the same</button
									></span
								>{/if}
							{#if entry.note && entry.kind !== 'note'}<span class="soft">{entry.note}</span>{/if}
						</span>
						<span class="soft kind">{KIND_WORDS[entry.kind]}{entry.by ? `, ${entry.by}` : ''}</span>
						<span class="acts">
							{#if !entry.void}<button
									class="quiet"
									onclick={() => (editing = entry)}
									aria-label="Correct {context ? describeEntry(entry, context) : ''}">Correct</button
								>
								<a
									class="follow"
									href="/rig?trace={encodeURIComponent(entry.id)}"
									aria-label="Follow {context ? describeEntry(entry, context) : ''} through the rig">Follow</a
								>{/if}
							<button
								class="quiet"
								onclick={() => void flip(entry)}
								aria-label="{entry.void ? 'Bring back' : 'Void'} {context
									? describeEntry(entry, context)
									: ''}">{entry.void ? 'Bring back' : 'Void'}</button
							>
						</span>
					</li>
				{/each}
			</ul>
		</section>
	{/each}
	{#if byDay.length > days}
		<p><button onclick={() => (days += DAYS_AT_ONCE)}>Earlier days ({byDay.length - days} more)</button></p>
	{/if}
</div>

{#if editing}
	<EntryForm {app} entry={editing} onclose={() => (editing = undefined)} />
{/if}

<style>
	.follow {
		display: inline-flex;
		align-items: center;
		min-height: 2.25rem;
		padding: 0.25rem 0.75rem;
		text-underline-offset: 3px;
		font-size: var(--step--1);
	}
	.page {
		padding: 1.4rem var(--gap-4) var(--gap-4);
		display: grid;
		gap: var(--gap-3);
		align-content: start;
	}
	.filters {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-3);
		align-items: end;
	}
	.check {
		display: flex;
		gap: var(--gap-2);
		align-items: center;
		min-height: 2.25rem;
	}
	.check input {
		width: 1.2rem;
		height: 1.2rem;
	}
	.history {
		display: flex;
		gap: var(--gap-2);
		margin-left: auto;
		min-width: 0;
	}
	.history button {
		max-width: 22rem;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	h2 {
		font-size: var(--step-1);
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-1) var(--gap-3);
		align-items: baseline;
		padding: var(--gap-2) 0;
	}
	.totals {
		font-family: var(--text);
		font-weight: 450;
		font-size: var(--step-0);
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
		border: 1px solid var(--line);
		border-radius: var(--corner);
		padding: 0 0.3rem;
	}
	.tag.mind {
		border-color: var(--caution);
		color: var(--caution);
	}
	.doubt {
		display: block;
		color: var(--caution);
		font-size: var(--step--1);
	}
	.acts {
		display: flex;
	}
	.acts button {
		font-size: var(--step--1);
		padding: 0 0.5rem;
		min-height: 1.9rem;
	}
	@media (max-width: 800px) {
		.page {
			padding: var(--gap-3);
		}
		li {
			grid-template-columns: 3.2rem minmax(0, 1fr) auto;
		}
		.kind {
			display: none;
		}
		.acts {
			grid-column: 2 / -1;
			margin-left: -0.5rem;
		}
		.acts button {
			min-height: var(--touch);
		}
		.history {
			margin-left: 0;
		}
	}
</style>
