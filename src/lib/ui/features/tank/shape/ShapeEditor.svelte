<script lang="ts">
	import { crossingSides, type Rig, type Shape, type Tank } from '$core/logbook';
	import { fullLitres, suspicionsOf } from '$core/rig';
	import { saySuspicion } from '$core/words';
	import { formatLitres, type UnitChoice } from '$core/units';
	import NumberField from '../../../kit/fields/NumberField.svelte';
	import OutlineEditor from './OutlineEditor.svelte';
	import SectionDrawing from './SectionDrawing.svelte';
	import SelectField from '../../../kit/fields/SelectField.svelte';

	interface Props {
		rig: Rig;
		tank: Tank;
		units: UnitChoice;
		onsave: (shape: Shape | undefined) => void;
		oncancel: () => void;
	}
	const { rig, tank, units, onsave, oncancel }: Props = $props();

	/** A new shape of a form that holds about what the plate says, its sides in the proportion of a flat tank. */
	function begun(form: string): Shape | undefined {
		const side = Math.cbrt(tank.nominalL * 1e6);
		const round = (mm: number): number => Math.max(10, Math.round(mm / 10) * 10);
		const [lengthMm, widthMm, heightMm] = [round(side * 1.6), round(side), round(side / 1.6)];
		if (form === 'box') return { form, lengthMm, widthMm, heightMm };
		if (form === 'flat' || form === 'upright')
			return { form: 'cylinder', lies: form, lengthMm: round(side * 1.3), diameterMm: round(side) };
		if (form === 'prism')
			return {
				form,
				lengthMm,
				outline: [
					[-widthMm / 2, 0],
					[widthMm / 2, 0],
					[widthMm / 2, heightMm],
					[-widthMm / 2, heightMm]
				]
			};
		return undefined;
	}
	const formOf = (shape: Shape | undefined): string =>
		shape === undefined ? '' : shape.form === 'cylinder' ? shape.lies : shape.form;

	// svelte-ignore state_referenced_locally
	let shape = $state.raw<Shape | undefined>(tank.shape);
	const SIDES = {
		box: [
			['lengthMm', 'Length, fore to aft'],
			['widthMm', 'Width'],
			['heightMm', 'Height']
		],
		cylinder: [
			['lengthMm', 'Length'],
			['diameterMm', 'Diameter']
		],
		prism: [['lengthMm', 'Length, fore to aft']],
		table: []
	} as const;
	const whole = $derived(
		shape !== undefined &&
			(shape.form !== 'prism' || crossingSides(shape.outline) === undefined) &&
			Object.values(shape).every((value) => typeof value !== 'number' || value > 0)
	);
	const holds = $derived(shape && whole ? fullLitres(shape) : undefined);
	const doubts = $derived(
		shape && whole
			? suspicionsOf({ ...rig, tanks: [{ ...tank, shape }], instruments: [], outlets: [] }).filter(
					({ kind }) => kind === 'shape-off-plate'
				)
			: []
	);
	const side = (key: string): number | undefined => {
		const value: unknown = shape && (shape as unknown as Record<string, unknown>)[key];
		return typeof value === 'number' ? value : undefined;
	};
</script>

<p class="soft">Inside dimensions. The dipstick goes in the middle unless its instrument says otherwise.</p>
<SelectField
	label="Shape"
	value={formOf(shape)}
	options={[
		{ value: '', label: 'not known' },
		{ value: 'box', label: 'a box' },
		{ value: 'prism', label: 'any outline, the same along its length' },
		{ value: 'flat', label: 'a lying cylinder, fore and aft' },
		{ value: 'upright', label: 'an upright cylinder' },
		...(tank.shape?.form === 'table' ? [{ value: 'table', label: 'a table of depths' }] : [])
	]}
	onchange={(form) => (shape = form === formOf(tank.shape) ? tank.shape : begun(form))}
/>
{#if shape}
	<div class="sides">
		{#each SIDES[shape.form] as [key, label] (key)}
			<NumberField
				{label}
				value={side(key)}
				of="length"
				{units}
				onchange={(next) => shape && (shape = { ...shape, [key]: next ?? 0 } as Shape)}
			/>
		{/each}
	</div>
	{#if shape.form === 'prism'}
		<OutlineEditor {shape} {units} holds={tank.holds} onchange={(next) => (shape = next)} />
	{:else if shape.form === 'table'}
		<p class="soft">{shape.rows.length} depths, from a stepwise trial. Repeat the trial to change them.</p>
	{:else if whole}
		<SectionDrawing {shape} holds={tank.holds} label="Cross-section of the tank, looking forward" />
	{/if}
	<p aria-live="polite" class="figure">
		{holds === undefined
			? 'Not a shape yet.'
			: `${formatLitres(holds, units)} to the brim`}{#if holds !== undefined}<span class="soft"
				>, rated {formatLitres(tank.nominalL, units)}</span
			>{/if}
	</p>
	{#each doubts as doubt, i (i)}<p class="mind">{saySuspicion(rig, doubt, units)}</p>{/each}
{/if}
<p class="buttons">
	<button class="primary" disabled={shape !== undefined && !whole} onclick={() => onsave(shape)}>Save</button>
	<button onclick={oncancel}>Cancel</button>
</p>

<style>
	.sides {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
		gap: var(--gap-3);
	}
	.figure {
		font-family: var(--display);
		font-weight: 650;
		font-size: var(--step-1);
	}
	.figure .soft {
		font-family: var(--text);
		font-weight: 400;
		font-size: var(--step-0);
	}
</style>
