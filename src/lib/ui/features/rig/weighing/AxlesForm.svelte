<script lang="ts">
	import type { Rig } from '$core/logbook';
	import type { UnitChoice } from '$core/units';
	import NumberField from '../../../kit/fields/NumberField.svelte';
	import TextField from '../../../kit/fields/TextField.svelte';

	type Axles = NonNullable<Rig['axles']>;
	interface Props {
		axles: Rig['axles'];
		units: UnitChoice;
		onchange: (axles: Axles | undefined) => void;
	}
	/** The two places that carry a rig, with their limits: asked once, from the plate and a weighbridge. */
	const { axles, units, onchange }: Props = $props();

	type Typed = {
		name: string;
		xM?: number | undefined;
		limitKg?: number | undefined;
		weighedKg?: number | undefined;
	};
	let typed = $derived<readonly [Typed, Typed]>(
		axles ?? [{ name: 'Front axle, or hitch' }, { name: 'Rear axle' }]
	);
	const put = (i: 0 | 1, part: Partial<Typed>): void => {
		const [front, rear] = typed;
		typed = i === 0 ? [{ ...front, ...part }, rear] : [front, { ...rear, ...part }];
	};
	const whole = ({ name, xM, limitKg, weighedKg }: Typed) =>
		name.trim() !== '' && xM !== undefined && limitKg !== undefined && weighedKg !== undefined
			? { name: name.trim(), xM, limitKg, weighedKg }
			: undefined;
	const ready = $derived.by((): Axles | undefined => {
		const [front, rear] = [whole(typed[0]), whole(typed[1])];
		return front && rear && front.xM !== rear.xM ? [front, rear] : undefined;
	});
</script>

<details>
	<summary>{axles ? 'Change the limits of axles and hitch' : 'Enter the limits of axles and hitch'}</summary>
	{#each [0, 1] as const as i (i)}
		<div class="fields">
			<TextField label="Name" value={typed[i].name} onchange={(name) => put(i, { name })} />
			<NumberField
				label="Forward of the reference point"
				value={typed[i].xM}
				suffix="m"
				hint="Use a minus behind it; the same point as for the tanks."
				onchange={(xM) => put(i, { xM })}
			/>
			<NumberField
				label="Its limit, from the weight plate"
				value={typed[i].limitKg}
				of="mass"
				{units}
				onchange={(limitKg) => put(i, { limitKg })}
			/>
			<NumberField
				label="Weighed, without water and waste"
				value={typed[i].weighedKg}
				of="mass"
				{units}
				onchange={(weighedKg) => put(i, { weighedKg })}
			/>
		</div>
	{/each}
	<p class="buttons">
		<button class="primary" disabled={!ready} onclick={() => ready && onchange(ready)}>Save</button>
		{#if axles}<button onclick={() => onchange(undefined)}>Remove</button>{/if}
	</p>
</details>
