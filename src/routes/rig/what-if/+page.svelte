<script lang="ts">
	import type { SettingOut } from '$core/assess/later';
	import type { Rig, Tank } from '$core/logbook';
	import { boxInBay, fullLitres, tankById, usableOf } from '$core/rig';
	import { formatDuration, formatFigure, formatLitres, formatQuantity } from '$core/units';
	import { useApp } from '$lib/state';
	import { withItem } from '$lib/ui/rigChange';
	import Notice from '$lib/ui/Notice.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import { untrack } from 'svelte';

	const app = useApp();
	const units = $derived(app.prefs.current.units);
	const rig = $derived(app.rig);
	const litres = (l: number): string => formatLitres(l, units);
	let what = $state<string>('capacity');
	let tankId = $state('');
	let capacityL = $state<number | undefined>();
	let secondL = $state<number | undefined>(30);
	let lengthMm = $state<number | undefined>(600);
	let widthMm = $state<number | undefined>(300);
	let heightMm = $state<number | undefined>(250);
	let wallMm = $state<number | undefined>(6);
	let gapMm = $state<number | undefined>(5);
	let asIs = $state.raw<SettingOut>();
	let changed = $state.raw<SettingOut>();
	let busy = $state(false);
	let trouble = $state('');
	let run = 0;

	const tank = $derived(rig && (tankById(rig, tankId) ?? rig.tanks[0]));
	/** The same tank, larger by so many litres; its measured form is not that of another tank. */
	const grown = (of: Tank, usableL: number): Tank => {
		const { shape: _shape, ...rest } = of;
		return { ...rest, usableL, nominalL: Math.max(of.nominalL, usableL) };
	};
	const box = $derived.by(() => {
		if (![lengthMm, widthMm, heightMm].every((mm) => mm !== undefined && mm > 0)) return undefined;
		try {
			return boxInBay(
				{ lengthMm: lengthMm ?? 0, widthMm: widthMm ?? 0, heightMm: heightMm ?? 0 },
				wallMm ?? 0,
				gapMm ?? 0
			);
		} catch (error) {
			return error instanceof Error ? error.message : String(error);
		}
	});
	const boxL = $derived(box && typeof box !== 'string' ? fullLitres(box) : undefined);
	/** A second tank joined to the first stands level with it; one pool is what it comes to. */
	const addedL = $derived(what === 'second' ? secondL : what === 'bay' ? boxL : undefined);
	const nextRig = $derived.by((): Rig | undefined => {
		if (!rig || !tank) return undefined;
		if (what === 'capacity')
			return capacityL !== undefined && capacityL > 0
				? ({ ...rig, tanks: withItem(rig.tanks, grown(tank, capacityL)) } as Rig)
				: undefined;
		if (addedL === undefined || !(addedL > 0)) return undefined;
		const second: Tank = {
			id: 'what-if',
			name: 'Second',
			holds: tank.holds,
			nominalL: addedL,
			usableL: addedL,
			reserveL: 0,
			joined: tank.id
		};
		return { ...rig, tanks: [...rig.tanks, second] } as Rig;
	});
	const gainedL = $derived(
		what === 'capacity' ? (capacityL ?? 0) - (tank ? usableOf(tank) : 0) : (addedL ?? 0)
	);

	// Both rigs are lived through in the worker; a late answer to an earlier question is dropped.
	$effect(() => {
		const next = nextRig;
		const asked = ++run;
		const now = untrack(() => rig);
		if (!next || !now) {
			changed = undefined;
			return;
		}
		busy = true;
		Promise.all([app.setOut(now), app.setOut(next)]).then(
			([before, after]) => {
				if (asked !== run) return;
				[asIs, changed, busy, trouble] = [before, after, false, ''];
			},
			(error: unknown) => {
				if (asked === run) [trouble, busy] = [error instanceof Error ? error.message : String(error), false];
			}
		);
	});
	const nameIn = (of: Rig | undefined, id: string | undefined): string =>
		id === 'what-if' ? (tank?.name ?? '') : (of && id && tankById(of, id)?.name) || 'none';
	const days = (out: SettingOut): string => formatDuration(out.autonomyDays.p50);
	const gain = $derived(asIs && changed ? changed.autonomyDays.p50 - asIs.autonomyDays.p50 : 0);
	const span = $derived(Math.abs(gain) < 1 / 12 ? 'hardly an hour' : formatDuration(Math.abs(gain)));
</script>

{#if rig && tank}
	<div class="page">
		<header>
			<p><a href="/rig">Rig</a></p>
			<h1>
				{#if asIs && changed}
					{Math.abs(gain) < 1 / 12
						? 'It would change nothing'
						: gain > 0
							? `${span} more`
							: `${span} less`}<span class="soft"
						>{Math.abs(gain) < 1 / 12
							? `: ${nameIn(rig, asIs.binds)} binds just the same`
							: `, then ${nameIn(nextRig, changed.binds)} is first`}</span
					>
				{:else}What if it held more?{/if}
			</h1>
			<p class="soft">Set out full and with empty waste tanks, living as your log says.</p>
		</header>
		<div class="fields">
			<SelectField
				label="What if"
				bind:value={what}
				options={[
					{ value: 'capacity', label: 'a tank held another amount' },
					{ value: 'second', label: 'there were a second tank' },
					{ value: 'bay', label: 'a box fitted that bay' }
				]}
			/>
			<SelectField
				label={what === 'capacity' ? 'Tank' : 'Beside'}
				value={tank.id}
				options={rig.tanks.map(({ id, name }) => ({ value: id, label: name }))}
				onchange={(id) => (tankId = id)}
			/>
			{#if what === 'capacity'}
				<NumberField
					label="Usable, instead of {litres(usableOf(tank))}"
					bind:value={capacityL}
					of="volume"
					{units}
				/>
			{:else if what === 'second'}
				<NumberField label="It holds" bind:value={secondL} of="volume" {units} />
			{:else}
				<NumberField label="Bay, length" bind:value={lengthMm} of="length" {units} />
				<NumberField label="Bay, width" bind:value={widthMm} of="length" {units} />
				<NumberField label="Bay, height" bind:value={heightMm} of="length" {units} />
				<NumberField label="Wall" bind:value={wallMm} of="length" {units} />
				<NumberField label="Gap all round" bind:value={gapMm} of="length" {units} hint="To get it in." />
			{/if}
		</div>
		{#if typeof box === 'string' && what === 'bay'}<p class="mind" role="alert">{box}</p>{/if}
		{#if trouble}<p class="mind" role="alert">{trouble}</p>{/if}
		<div aria-live="polite" aria-busy={busy}>
			{#if asIs && changed}
				<table>
					<thead
						><tr
							><td></td><th scope="col" class="number">As it is</th><th scope="col" class="number">What if</th
							><th scope="col" class="number">Difference</th></tr
						></thead
					>
					<tbody>
						<tr
							><th scope="row">Lasts</th><td class="number">{days(asIs)}</td><td class="number"
								><strong>{days(changed)}</strong></td
							><td class="number">{gain >= 0 ? '+' : '−'} {span}</td></tr
						>
						<tr
							><th scope="row">One chance in ten of less than</th><td class="number"
								>{formatDuration(asIs.autonomyDays.p10)}</td
							><td class="number">{formatDuration(changed.autonomyDays.p10)}</td><td></td></tr
						>
						<tr
							><th scope="row">Binds first</th><td class="number">{nameIn(rig, asIs.binds)}</td><td
								class="number">{nameIn(nextRig, changed.binds)}</td
							><td></td></tr
						>
						<tr
							><th scope="row">{tank.name}</th><td class="number">{litres(usableOf(tank))}</td><td
								class="number">{litres(usableOf(tank) + gainedL)}</td
							><td class="number">{gainedL >= 0 ? '+' : '−'} {litres(Math.abs(gainedL))}</td></tr
						>
						<tr
							><th scope="row">Weighs full</th><td class="number"
								>{formatQuantity(asIs.fullKg, 'mass', units)}</td
							><td class="number">{formatQuantity(changed.fullKg, 'mass', units)}</td><td class="number"
								>{changed.fullKg >= asIs.fullKg ? '+' : '−'}
								{formatFigure(Math.abs(changed.fullKg - asIs.fullKg))}</td
							></tr
						>
					</tbody>
				</table>
			{:else if busy}<p class="soft">Living it through…</p>
			{:else}<p class="soft">Say how much.</p>{/if}
		</div>
		<Notice calm
			><p>
				Nothing is changed in {rig.name}. A tank’s empty weight, its straps and the payload of the plate come
				on top; fitting is for those who are licensed to do it.
			</p></Notice
		>
	</div>
{/if}

<style>
	.page {
		padding: 1.4rem var(--gap-4) var(--gap-4);
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: var(--gap-4);
		align-content: start;
		max-width: 60rem;
	}
	header {
		display: grid;
		gap: var(--gap-2);
	}
	h1 .soft {
		font-weight: 400;
	}
	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(11rem, 1fr));
		gap: var(--gap-3);
		align-items: start;
	}
	th,
	td {
		padding: 0.35rem 0.8rem 0.35rem 0;
		border-top: var(--hairline);
	}
	thead td,
	thead th {
		border: 0;
		font-size: var(--step--1);
		color: var(--soft-ink);
	}
	thead .number {
		text-align: right;
	}
	.mind {
		color: var(--caution);
	}
	@media (max-width: 800px) {
		.page {
			padding: var(--gap-3);
		}
	}
</style>
