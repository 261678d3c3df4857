<script lang="ts">
	import { listsOf, type Choice, type Choices } from '$core/logbook';
	import { CANNOT_IMPORT, sayContent, sayGap, sayOtherRigs } from '$core/words';
	import { errorMessage } from '$lib/errorMessage';
	import type { Looked } from '$lib/exchange';
	import type { App } from '$lib/state';
	import { sharingBeside } from '$lib/state/sharing.svelte';
	import { untrack } from 'svelte';
	import Notice from '../../../kit/page/Notice.svelte';
	import { notifyDone } from '../../../parts/acts/notify';
	import RefusedFile from '../RefusedFile.svelte';
	import ComingList from './ComingList.svelte';

	interface Props {
		app: App;
		/** what a link, a code or a file said */
		text: string;
		/** it is the JSON itself, not packed */
		isJson?: boolean;
		oncancel: () => void;
		/** it was imported; from whom, where that is said */
		ondone: (from: string | undefined) => void;
	}
	/** What came from somebody, line by line, before any of it is kept. */
	const { app, text, isJson = false, oncancel, ondone }: Props = $props();
	// svelte-ignore state_referenced_locally
	const sharing = sharingBeside(app);

	let choices = $state.raw<Choices>({});
	let looked = $state.raw<Looked>();
	let trouble = $state<string>();
	let busy = $state(false);

	const lookAgain = (): Promise<Looked> =>
		isJson ? sharing.lookAt(text, choices) : sharing.look(text, choices);
	/** counts looks: what an earlier one finds is late */
	let looks = 0;
	// Again with each choice, and with what is logged meanwhile.
	$effect(() => {
		const { rigs, trips, points, entries } = app.records;
		void [rigs, trips, points, entries];
		// What is being imported changes the records itself.
		if (untrack(() => busy)) return;
		const mine = (looks += 1);
		lookAgain().then(
			(next) => looks === mine && (looked = next),
			(error: unknown) => (trouble = errorMessage(error))
		);
	});
	const from = $derived((looked?.ok && looked.handOver?.by) || undefined);
	const who = $derived(from ?? 'the other');
	/** rigs and trips as they will be: what comes may name what only they have */
	const coming = $derived(listsOf(looked?.ok ? looked.taken.changes : []));
	const context = $derived({
		rigs: [...coming.rigs, ...app.records.rigs],
		trips: [...coming.trips, ...app.records.trips],
		nowMs: app.nowMs,
		timeZone: app.timeZone,
		units: app.prefs.current.units
	});
	/** rigs that are none of those that are here */
	const otherRigs = $derived(
		looked?.ok && app.rig
			? looked.taken.coming.flatMap(({ state, theirs }) =>
					state === 'new' && theirs.kind === 'rig' ? [theirs.value.name] : []
				)
			: []
	);
	const choose = (key: string, choice: Choice): void => void (choices = { ...choices, [key]: choice });

	async function keep(): Promise<void> {
		busy = true;
		try {
			// By what is here now: something may have been logged while it was read.
			const now = await lookAgain();
			looked = now;
			if (!now.ok) return;
			const says = from === undefined ? 'Imported' : `From ${from}`;
			if (!(await sharing.take(now, from ?? '', says))) return;
			notifyDone(app, `${says}: ${sayContent(countsOf(now)) || 'nothing new'}.`);
			ondone(from);
		} catch (error) {
			trouble = errorMessage(error);
		} finally {
			busy = false;
		}
	}

	const countsOf = ({ taken: { coming } }: Extract<Looked, { ok: true }>) =>
		listsOf(coming.map(({ theirs }) => theirs));
</script>

{#if trouble}
	<Notice><p role="alert">It couldn’t be opened: {trouble}.</p></Notice>
	<p class="buttons"><button onclick={oncancel}>Cancel</button></p>
{:else if !looked}
	<p class="soft" role="status">Opening what came…</p>
	<p class="buttons"><button onclick={oncancel}>Cancel</button></p>
{:else if !looked.ok}
	<Notice><p role="alert">{CANNOT_IMPORT[looked.why]}</p></Notice>
	{#if 'refusal' in looked}
		<details>
			<summary>What is wrong with it</summary>
			<RefusedFile fileName="What came" refused={looked.refusal} />
		</details>
	{/if}
	<p class="buttons"><button onclick={oncancel}>Cancel</button></p>
{:else}
	{@const { coming: rows, gap } = looked.taken}
	<p>
		{#if rows.length === 0}Nothing new{from ? ` from ${from}` : ''}: all of it is here already.
		{:else}{from ? `From ${from}: ` : ''}<strong>{sayContent(countsOf(looked))}</strong>. Nothing is saved
			until you import it.{/if}
	</p>
	{#if otherRigs.length > 0}
		<Notice
			><p>
				{sayOtherRigs(
					otherRigs,
					app.records.rigs.map(({ name }) => name)
				)}
			</p></Notice
		>
	{/if}
	{#if gap && from}<Notice calm><p>{sayGap(from)}</p></Notice>{/if}
	<ComingList coming={rows} from={who} {context} onchoose={choose} />
	<p class="buttons">
		<button class="primary" disabled={busy} onclick={() => void keep()}
			>{rows.length === 0 ? 'Done' : 'Import'}</button
		>
		{#if rows.length > 0}<button onclick={oncancel}>Cancel</button>{/if}
	</p>
{/if}
