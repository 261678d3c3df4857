<script lang="ts">
	import type { Conflict, Problem } from '$core/logbook';
	import type { UnitChoice } from '$core/units';
	import type { Snippet } from 'svelte';
	import { sayConflict, fieldValueAt, withValue, type Draft, type Field } from './fields';
	import OneField from './OneField.svelte';

	interface Props {
		fields: readonly Field[];
		draft: Draft;
		units: UnitChoice;
		timeZone: string;
		/** what is wrong with the draft, by JSON path within it */
		problems?: readonly Problem[];
		/** what others changed meanwhile */
		conflicts?: readonly Conflict[];
		onsubmit: (draft: Draft) => void;
		oncancel: () => void;
		extra?: Snippet;
		/** what is folded is shown: something in it is asked for */
		moreOpen?: boolean;
	}
	let {
		fields,
		draft = $bindable(),
		units,
		timeZone,
		problems = [],
		conflicts = [],
		onsubmit,
		oncancel,
		extra,
		moreOpen = false
	}: Props = $props();

	const wrongAt = (key: string): string | undefined => {
		const found = problems.find(({ path }) => path === `$.${key}`);
		return found && `expected ${found.expected}, got ${found.got}`;
	};
	const plain = $derived(fields.filter(({ more }) => !more));
	const rest = $derived(fields.filter(({ more }) => more));
	/** The rest opens by itself where something in it is wrong. */
	const restOpen = $derived(moreOpen || rest.some(({ key }) => wrongAt(key) !== undefined));
	const elsewhere = $derived(problems.filter(({ path }) => !fields.some(({ key }) => path === `$.${key}`)));
	const MOST = 8;
</script>

{#snippet one(field: Field)}
	<OneField
		{field}
		value={fieldValueAt(draft, field.key)}
		{units}
		{timeZone}
		error={wrongAt(field.key)}
		onput={(value) => (draft = withValue(draft, field.key, value))}
	/>
{/snippet}

<form
	novalidate
	onsubmit={(event) => {
		event.preventDefault();
		onsubmit(draft);
	}}
>
	<div class="fields">
		{#each plain as field (field.key)}{@render one(field)}{/each}
	</div>
	{@render extra?.()}
	{#if rest.length > 0}
		<details open={restOpen}>
			<summary>More</summary>
			<div class="fields">
				{#each rest as field (field.key)}{@render one(field)}{/each}
			</div>
		</details>
	{/if}
	{#if elsewhere.length > 0}
		<ul role="alert">
			{#each elsewhere.slice(0, MOST) as { path, expected, got }, i (i)}<li>
					<strong>{path.replace('$.', '')}</strong>: expected {expected}, got {got}
				</li>{/each}
		</ul>
	{/if}
	{#if conflicts.length > 0}
		<div role="alert" class="conflicts">
			<p>Someone changed the same meanwhile, in another tab or on another device:</p>
			<ul>
				{#each conflicts as conflict, i (i)}<li>{sayConflict(conflict, fields)}</li>{/each}
			</ul>
			<p>Nothing is stored yet. Save again to put yours in its place, or cancel to leave theirs.</p>
		</div>
	{/if}
	<p class="buttons">
		<button class="primary" type="submit">Save</button>
		<button type="button" onclick={oncancel}>Cancel</button>
	</p>
</form>

<style>
	form {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: var(--gap-3);
	}
	summary {
		min-height: 2.25rem;
		cursor: pointer;
	}
	ul[role='alert'],
	.conflicts {
		border-left: 3px solid var(--caution);
		padding-left: var(--gap-3);
		overflow-wrap: anywhere;
	}
	@media (pointer: coarse) {
		summary {
			min-height: var(--touch);
			padding-top: 0.6rem;
		}
	}
</style>
