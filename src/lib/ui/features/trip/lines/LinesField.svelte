<script lang="ts">
	import type { Point } from '$core/logbook';
	import type { TripRead } from './asWritten.svelte';
	import { completionAt, piecesOf } from './marking';

	interface Props {
		text: string;
		read: Pick<TripRead, 'lines' | 'problems'> | undefined;
		points: readonly Point[];
	}
	/** A trip written a stop a line: beside each line what it was understood as, under what was not a wave. */
	let { text = $bindable(), read, points }: Props = $props();
	const id = $props.id();
	const LEAST_ROWS = 7;
	const EXAMPLE =
		'Skarn Hause 3 nights\n14 km Tamsel Ford: water, grey\nOrrow Plantation till Saturday, 28 °C';

	let caret = $state(0);
	let field = $state<HTMLTextAreaElement>();
	let scrolled = $state(0);

	const lines = $derived(text.split('\n'));
	const toldOf = (line: number): TripRead['lines'] => (read?.lines ?? []).filter((one) => one.line === line);
	const wrongOf = (line: number): TripRead['problems'] =>
		(read?.problems ?? []).filter((one) => one.line === line);
	const completion = $derived(completionAt(text, caret, points));
	const caretLine = $derived(text.slice(0, caret).split('\n').length);

	function complete(): void {
		if (!completion) return;
		const { name, from, to } = completion;
		text = `${text.slice(0, from)}${name}${text.slice(to)}`;
		caret = from + name.length;
		field?.focus();
		// The caret goes behind the name once the field has it.
		setTimeout(() => field?.setSelectionRange(caret, caret));
	}
	function onkeydown(event: KeyboardEvent): void {
		if (event.key !== 'Tab' || event.shiftKey || !completion) return;
		event.preventDefault();
		complete();
	}
	const look = (): void => void (caret = field?.selectionStart ?? 0);
</script>

<div class="field">
	<label for={id}>The stops, one a line</label>
	<div class="box" style:--rows={Math.max(LEAST_ROWS, lines.length + 1)}>
		<div class="mirror" aria-hidden="true">
			{#each lines as line, i (i)}
				<div class="row">
					<span class="typed" style:transform="translateX(-{scrolled}px)"
						>{#each piecesOf(line, wrongOf(i + 1)) as piece, k (k)}<span class:wrong={piece.wrong}
								>{piece.text}</span
							>{/each}</span
					>
					<span class="told">
						{#if completion && caretLine === i + 1}{completion.name}? Tab
						{:else}
							{#each toldOf(i + 1) as { says, shut, known }, k (k)}{k > 0 ? '; ' : ''}{known
									? '✓ '
									: ''}{says}{#if shut}<span class="mind">: {shut}</span>{/if}{/each}
						{/if}
					</span>
				</div>
			{/each}
		</div>
		<textarea
			{id}
			bind:this={field}
			bind:value={text}
			spellcheck="false"
			autocomplete="off"
			wrap="off"
			aria-describedby="{id}-told"
			{onkeydown}
			oninput={look}
			onkeyup={look}
			onclick={look}
			onscroll={() => (scrolled = field?.scrollLeft ?? 0)}
			placeholder={EXAMPLE}></textarea>
	</div>
	{#if completion}<p class="offer">
			<button type="button" class="small" onclick={complete}>{completion.name}?</button>
		</p>{/if}
	<div id="{id}-told" aria-live="polite">
		{#each read?.problems ?? [] as { line, expected, got }, i (i)}
			<p class="mind small">Line {line}: “{got}” is not clear. Try {expected}.</p>
		{/each}
		<ul class="narrow soft small">
			{#each read?.lines ?? [] as { line, says, shut, known }, i (i)}
				<li>
					{(read?.lines.length ?? 0) > 1 ? `${line}. ` : ''}{known
						? 'known point · '
						: ''}{says}{#if shut}<span class="mind">: {shut}</span>{/if}
				</li>
			{/each}
		</ul>
	</div>
</div>

<style>
	.field {
		--row: 2.5rem;
	}
	.box {
		position: relative;
		border: 1px solid var(--ink);
		border-radius: var(--corner);
		background: var(--air);
		overflow: hidden;
		height: calc(var(--rows) * var(--row) + 1rem);
	}
	.mirror,
	textarea {
		position: absolute;
		inset: 0;
		padding: 0.5rem var(--gap-3);
		font: inherit;
		line-height: var(--row);
		border: 0;
		margin: 0;
		width: 100%;
		height: 100%;
		min-height: 0;
		resize: none;
		background: transparent;
		white-space: pre;
	}
	textarea {
		overflow-x: auto;
		overflow-y: hidden;
	}
	.mirror {
		pointer-events: none;
		color: transparent;
		overflow: hidden;
	}
	.row {
		display: flex;
		justify-content: space-between;
		gap: var(--gap-2);
		height: var(--row);
		border-bottom: 1px dotted var(--line);
	}
	.typed {
		flex: none;
	}
	.wrong {
		text-decoration: underline wavy var(--caution);
		text-underline-offset: 0.25em;
	}
	.told {
		color: var(--soft-ink);
		font-size: var(--step--1);
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.narrow {
		display: none;
		padding: 0;
		list-style: none;
	}
	.offer {
		margin-top: var(--gap-2);
	}
	@media (max-width: 800px) {
		.told {
			display: none;
		}
		.narrow {
			display: block;
		}
	}
</style>
