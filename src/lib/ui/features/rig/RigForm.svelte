<script lang="ts">
	import { inUse, type Habit, type Instrument, type Rig } from '$core/logbook';
	import { impactOf, restated, withItem, type Impact } from '$core/rig';
	import type { Word } from '$core/words';
	import type { App } from '$lib/state';
	import { v7 as uuid } from 'uuid';
	import { Correction } from '../../../state/correction.svelte';
	import type { Draft } from '../../kit/fields/fields';
	import FieldsForm from '../../kit/fields/FieldsForm.svelte';
	import RecipeSum from '../../parts/recipe/RecipeSum.svelte';
	import Sheet from '../../kit/page/Sheet.svelte';
	import CurveEditor from './CurveEditor.svelte';
	import Impacts from './change/Impacts.svelte';
	import { newItem, RIG_FIELDS, rigFields, type RigPart } from './rigFields';
	import WhatIs from '../../parts/glossary/WhatIs.svelte';

	interface Props {
		app: App;
		/** with all of its parts, retired ones too */
		rig: Rig;
		/** the list an item is of, or the rig itself */
		part: RigPart | 'rig';
		/** the item; a new one when absent */
		id?: string | undefined;
		kind?: Instrument['kind'] | undefined;
		onclose: () => void;
	}
	const { app, rig, part, id, kind, onclose }: Props = $props();

	const WORDS = {
		rig: 'rig',
		tanks: 'tank',
		outlets: 'outlet',
		habits: 'habit',
		instruments: 'instrument',
		measures: 'way to save',
		sources: 'source',
		containers: 'container',
		care: 'task'
	} as const;
	const WHAT_IS: Partial<Record<keyof typeof WORDS, readonly Word[]>> = {
		tanks: ['usable', 'rated size', 'reserve', 'headroom'],
		instruments: ['dipstick', 'calibration'],
		measures: ['way to save', 'effort'],
		containers: ['tote', 'headroom']
	};
	type Item = { readonly id: string; readonly name: string };
	// The form works on the rig as it was when it was opened.
	// svelte-ignore state_referenced_locally
	const base = rig;
	// svelte-ignore state_referenced_locally
	const correction = new Correction(app, 'rig', base);
	const itemsOf = (list: RigPart): readonly Item[] => base[list] ?? [];
	const opened = (): Draft => {
		if (part === 'rig') return base as unknown as Draft;
		return (
			(itemsOf(part).find((item) => item.id === id) as Draft | undefined) ?? newItem(part, base, uuid(), kind)
		);
	};
	let draft = $state.raw<Draft>(opened());
	/** a change that stored entries speak against, until the person says so or thinks again */
	let held = $state.raw<{ value: Rig; label: string; impacts: readonly Impact[] }>();
	const isNew = $derived(part !== 'rig' && !itemsOf(part).some((item) => item.id === draft.id));
	const fields = $derived(part === 'rig' ? RIG_FIELDS : rigFields(part, inUse(base), draft));
	const named = $derived(
		typeof draft.name === 'string' && draft.name !== '' ? draft.name : `new ${WORDS[part]}`
	);
	/** Problems of the item at hand, with paths within it. */
	const problems = $derived.by(() => {
		if (part === 'rig') return correction.problems;
		const at = itemsOf(part).findIndex((item) => item.id === draft.id);
		const path = `$.${part}[${at === -1 ? itemsOf(part).length : at}]`;
		return correction.problems.map((problem) => ({ ...problem, path: problem.path.replace(path, '$') }));
	});

	async function put(value: Rig, label: string): Promise<void> {
		held = undefined;
		if (!correction.check(value)) return;
		const impacts = impactOf(base, value, app.records.entries);
		if (impacts.length > 0) held = { value, label, impacts };
		else if (await correction.save(value, label)) onclose();
	}

	function save(next: Draft): void {
		if (part === 'rig') return void put(next as unknown as Rig, 'Rig changed');
		const before = base.habits.find(({ id }) => part === 'habits' && id === next.id);
		const item = before ? restated(before, next as unknown as Habit) : (next as unknown as Item);
		const items = withItem<Item>(itemsOf(part), item);
		void put({ ...base, [part]: items } as unknown as Rig, `${named}: ${isNew ? 'added' : 'changed'}`);
	}

	function remove(): void {
		if (part === 'rig') return;
		// What was done stays written down: a task or a source that entries name is put out of use.
		const wasDone =
			(part === 'care' && app.records.entries.some((one) => one.kind === 'care' && one.task === draft.id)) ||
			(part === 'sources' && app.records.entries.some((one) => one.kind === 'fill' && one.from === draft.id));
		const items = wasDone
			? itemsOf(part).map((item) => (item.id === draft.id ? { ...item, retired: true } : item))
			: itemsOf(part).filter((item) => item.id !== draft.id);
		void put({ ...base, [part]: items } as unknown as Rig, `${named}: removed`);
	}
</script>

<Sheet title={isNew ? `New ${WORDS[part]}` : `Change ${named}`} {onclose}>
	<FieldsForm
		{fields}
		bind:draft
		units={app.prefs.current.units}
		timeZone={app.timeZone}
		{problems}
		conflicts={correction.conflicts}
		onsubmit={save}
		oncancel={onclose}
	>
		{#snippet extra()}
			{#if part === 'instruments' && draft.kind === 'gauge'}
				<CurveEditor bind:draft units={app.prefs.current.units} />
			{/if}
			{#if part === 'habits'}
				<RecipeSum
					bind:draft
					units={app.prefs.current.units}
					outletLpm={base.outlets.find(({ id: of }) => of === draft.outlet)?.flowLpm}
				/>
			{/if}
		{/snippet}
	</FieldsForm>
	{#if WHAT_IS[part]}<WhatIs words={WHAT_IS[part]} />{/if}
	{#if held}
		<Impacts
			{rig}
			impacts={held.impacts}
			units={app.prefs.current.units}
			oninsist={() => {
				if (held) void correction.save(held.value, held.label).then((done) => done && onclose());
			}}
		/>
	{/if}
	{#if !isNew && part !== 'rig'}<p><button onclick={remove}>Remove {named}</button></p>{/if}
</Sheet>
