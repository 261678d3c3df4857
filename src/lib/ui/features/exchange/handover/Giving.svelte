<script lang="ts">
	import { goto } from '$app/navigation';
	import { LINK_STAYS, ONLY_HERE, sayContent } from '$core/words';
	import { errorMessage } from '$lib/errorMessage';
	import { LONGEST_LINK, type Prepared } from '$lib/exchange';
	import type { App } from '$lib/state';
	import type { Sharing } from '$lib/state/sharing.svelte';
	import { plainName } from '../../../kit/download';
	import Notice from '../../../kit/page/Notice.svelte';
	import { toast } from '../../../kit/toast.svelte';
	import { shareFile, shareLink, type Left } from '../../../parts/acts/shareFile';
	import CodeShown from './CodeShown.svelte';

	interface Props {
		app: App;
		sharing: Sharing;
		to: string;
		by: string;
	}
	/** What somebody has not got: as a code, as a link, as a file. */
	const { app, sharing, to, by }: Props = $props();

	let whole = $state(false);
	let prepared = $state.raw<Prepared>();
	let trouble = $state<string>();
	/** why it could not be sent: the link can be copied by hand */
	let unsent = $state<string>();
	// What is shown is of this moment: an entry that is logged meanwhile comes with the next one.
	$effect(() => {
		const all = whole;
		prepared = undefined;
		sharing.prepare(to, by, all).then(
			(next) => whole === all && (prepared = next),
			(error: unknown) => (trouble = errorMessage(error))
		);
	});
	const isFirst = $derived(sharing.partner(to)?.heardMs === undefined);
	const content = $derived(prepared ? sayContent(prepared.difference) : '');
	const link = $derived(prepared?.link ?? '');
	const isHereOnly = ['localhost', '127.0.0.1', '[::1]'].includes(location.hostname);
	const fileName = $derived(
		`${plainName(app.rig?.name ?? 'dipsometer')}-for-${plainName(to)}-${new Date(app.nowMs).toISOString().slice(0, 10)}.logbook.json`
	);

	async function went(how: Promise<Left>, says: string): Promise<void> {
		if (!prepared) return;
		unsent = undefined;
		try {
			if ((await how) === 'kept') return;
			await sharing.offered(to, prepared);
			toast(says);
		} catch (error) {
			unsent = errorMessage(error);
		}
	}
	const sendLink = (): Promise<void> =>
		went(
			shareLink(`Water log for ${to}`, link),
			typeof navigator.share === 'function' ? 'Shared.' : `The link is copied: send it to ${to}.`
		);
	const sendFile = (): Promise<void> => {
		if (!prepared) return Promise.resolve();
		return went(
			shareFile(fileName, JSON.stringify(prepared.difference, undefined, '\t')),
			`The file is ready: ${to} imports it under Data.`
		);
	};
	/** What was shown was offered; then it is the other one's turn. */
	async function theirTurn(): Promise<void> {
		if (prepared) await sharing.offered(to, prepared);
		await goto('/take?scan');
	}
</script>

{#if trouble}
	<Notice><p role="alert">It couldn’t be put together: {trouble}.</p></Notice>
{:else if !prepared}
	<p class="soft" role="status">Putting together what {to} hasn’t got…</p>
{:else}
	<div class="giving">
		{#if prepared.pictures}
			<CodeShown pictures={prepared.pictures} {to} />
		{:else}
			<Notice
				><p>
					That is too much for a code: {content}. Send it as a file; what comes after it will be small.
				</p></Notice
			>
		{/if}
		<div class="beside">
			<p>
				{#if content === ''}{to} has everything you have. This only tells {to}’s phone what you got.
				{:else}<strong>{content}</strong>{whole
						? ', all of it.'
						: isFirst
							? `: all of it, as nothing has come from ${to} yet.`
							: ` that ${to} hasn’t got.`}{/if}
			</p>
			<p class="buttons">
				<button class="primary" onclick={() => void theirTurn()}>Now scan {to}’s</button>
			</p>
			<p class="buttons">
				<button disabled={link.length > LONGEST_LINK} onclick={() => void sendLink()}>Send a link</button>
				<button onclick={() => void sendFile()}>Send a file</button>
				<button class="quiet" aria-pressed={whole} onclick={() => (whole = !whole)}
					>{whole ? 'Share only what is new' : 'Share everything'}</button
				>
			</p>
			{#if link.length > LONGEST_LINK}
				<p class="small">Too long for a link: messengers cut it. Send a file instead.</p>
			{/if}
			{#if unsent !== undefined}
				<Notice><p role="alert">It couldn’t be sent: {unsent}. Copy the link by hand:</p></Notice>
				<textarea
					readonly
					rows="3"
					aria-label="The link"
					value={link}
					onfocus={(event) => event.currentTarget.select()}></textarea>
			{/if}
			{#if isHereOnly}<p class="soft small">{ONLY_HERE}</p>{/if}
			<p class="soft small">{LINK_STAYS}</p>
		</div>
	</div>
{/if}

<style>
	.giving {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-4);
		align-items: start;
		width: 100%;
	}
	.beside {
		flex: 1 1 18rem;
		max-width: 34rem;
		display: grid;
		gap: var(--gap-3);
		min-width: 0;
	}
</style>
