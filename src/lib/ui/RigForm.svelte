<script lang="ts">
	import type { Instrument, Problem, Rig } from '$core/logbook';
	import type { Impact } from '$core/rig';
	import { sayImpact } from '$core/verdict';
	import type { App } from '$lib/state';
	import { objectionsTo, withItem } from './rigChange';
	import { v7 as uuid } from 'uuid';
	import CurveEditor from './CurveEditor.svelte';
	import type { Draft } from './fields';
	import FieldsForm from './FieldsForm.svelte';
	import Notice from './Notice.svelte';
	import { newItem, RIG_FIELDS, rigFields, type RigPart } from './rigFields';
	import Sheet from './Sheet.svelte';

	interface Props {
		app: App;
		rig: Rig;
		/** the list an item is of, or the rig itself */
		part: RigPart | 'rig';
		/** the item; a new one when absent */
		id?: string | undefined;
		kind?: Instrument['kind'];
		onclose: () => void;
	}
	const { app, rig, part, id, kind, onclose }: Props = $props();

	const WORDS = {
		rig: 'rig',
		tanks: 'tank',
		outlets: 'outlet',
		habits: 'habit',
		instruments: 'instrument',
		measures: 'measure'
	} as const;
	type Item = { readonly id: string; readonly name: string };
	const itemsOf = (list: RigPart): readonly Item[] => rig[list];
	const open = (): Draft => {
		if (part === 'rig') return rig as unknown as Draft;
		return (
			(itemsOf(part).find((item) => item.id === id) as Draft | undefined) ?? newItem(part, rig, uuid(), kind)
		);
	};
	let draft = $state.raw<Draft>(open());
	let problems = $state.raw<readonly Problem[]>([]);
	/** a change that stored entries speak against, until the person says so or thinks again */
	let held = $state.raw<{ value: Rig; label: string; impacts: readonly Impact[] }>();
	const isNew = $derived(part !== 'rig' && !itemsOf(part).some((item) => item.id === draft.id));
	const fields = $derived(part === 'rig' ? RIG_FIELDS : rigFields(part, rig, draft));
	const named = $derived(
		typeof draft.name === 'string' && draft.name !== '' ? draft.name : `new ${WORDS[part]}`
	);

	async function put(value: Rig, label: string, path = ''): Promise<void> {
		const objections = objectionsTo(app, value);
		problems = objections.problems.map((problem) => ({ ...problem, path: problem.path.replace(path, '$') }));
		held = objections.impacts.length > 0 ? { value, label, impacts: objections.impacts } : undefined;
		if (problems.length === 0 && !held) await keep(value, label);
	}

	async function keep(value: Rig, label: string): Promise<void> {
		await app.save({ kind: 'rig', value }, label);
		onclose();
	}

	function save(next: Draft): void {
		if (part === 'rig') return void put(next as unknown as Rig, 'Rig changed');
		const items = itemsOf(part);
		const index = items.findIndex((item) => item.id === next.id);
		void put(
			{ ...rig, [part]: withItem(items, next as unknown as Item) } as unknown as Rig,
			`${named}: ${isNew ? 'added' : 'changed'}`,
			`$.${part}[${index === -1 ? items.length : index}]`
		);
	}

	function remove(): void {
		if (part !== 'rig')
			void put(
				{ ...rig, [part]: itemsOf(part).filter((item) => item.id !== draft.id) } as unknown as Rig,
				`${named}: taken out`
			);
	}
</script>

<Sheet title={isNew ? `New ${WORDS[part]}` : `Change ${named}`} {onclose}>
	<FieldsForm
		{fields}
		bind:draft
		units={app.prefs.current.units}
		timeZone={app.timeZone}
		{problems}
		onsubmit={save}
		oncancel={onclose}
	>
		{#snippet extra()}
			{#if part === 'instruments' && draft.kind === 'gauge'}
				<CurveEditor bind:draft units={app.prefs.current.units} />
			{/if}
		{/snippet}
	</FieldsForm>
	{#if held}
		<Notice>
			<div role="alert">
				<p>With this, something that was written down would not be possible any more:</p>
				{#each held.impacts as impact, i (i)}<p>{sayImpact(rig, impact, app.prefs.current.units)}</p>{/each}
				<p>The entries stay as they are. The levels after them will be doubted.</p>
			</div>
			<button onclick={() => held && void keep(held.value, held.label)}>Change it all the same</button>
		</Notice>
	{/if}
	{#if !isNew && part !== 'rig'}<p><button onclick={remove}>Take {named} out</button></p>{/if}
</Sheet>
