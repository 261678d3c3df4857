<script lang="ts">
	import { page } from '$app/state';
	import type { Rig, Shape, Tank, Trial } from '$core/logbook';
	import { depthFor, fullLitres, suspicionsOf, tankById, type Lean } from '$core/rig';
	import { sayImpact, saySuspicion } from '$core/verdict';
	import { formatLitres } from '$core/units';
	import { useApp } from '$lib/state';
	import { objectionsTo, withItem } from '$lib/ui/rigChange';
	import { depthText, dipLines, rodOf, STEPPINGS, type Stepping } from '$lib/ui/dipView';
	import DrainCard from '$lib/ui/DrainCard.svelte';
	import Notice from '$lib/ui/Notice.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import RigForm from '$lib/ui/RigForm.svelte';
	import SectionDrawing from '$lib/ui/SectionDrawing.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import ShapeEditor from '$lib/ui/ShapeEditor.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import TankPast from '$lib/ui/TankPast.svelte';
	import TrialRun from '$lib/ui/TrialRun.svelte';
	import Trials from '$lib/ui/Trials.svelte';
	import { TRIAL_WORDS, type TrialKind } from '$lib/ui/trialSteps';

	const app = useApp();
	const units = $derived(app.prefs.current.units);
	const rig = $derived(app.rig);
	const tank = $derived(rig && tankById(rig, page.params.id ?? ''));
	const level = $derived(app.assessment?.levels.tanks.find(({ id }) => id === tank?.id));
	const outlook = $derived(app.assessment?.tanks.find(({ id }) => id === tank?.id));
	const rod = $derived(rig && tank ? rodOf(rig.instruments, tank.id) : undefined);
	const litres = (l: number): string => formatLitres(l, units);

	let open = $state<'shape' | 'tank' | undefined>();
	let trying = $state<TrialKind | undefined>();
	let stepping = $state<string>('L10');
	let roll = $state<number | undefined>(0);
	let pitch = $state<number | undefined>(0);
	let objections = $state.raw<{ rig: Rig; label: string; words: readonly string[] }>();

	const suspicions = $derived(
		rig && tank ? suspicionsOf(rig, app.entries).filter((one) => 'tank' in one && one.tank === tank.id) : []
	);
	const lean = $derived<Lean>({
		rollDeg: Math.min(45, Math.max(-45, roll ?? 0)),
		pitchDeg: Math.min(45, Math.max(-45, pitch ?? 0))
	});
	const lines = $derived(
		tank?.shape
			? dipLines(
					{ ...tank, shape: tank.shape },
					stepping as Stepping,
					{ lean, at: rod?.at, deadL: tank.deadL },
					units,
					outlook?.flags ?? []
				)
			: []
	);
	const drawn = $derived(tank?.shape && tank.shape.form !== 'table' ? tank.shape : undefined);
	const waterMm = $derived(
		drawn && level
			? depthFor(drawn, Math.min(fullLitres(drawn), level.litres + (tank?.deadL ?? 0)))
			: undefined
	);

	async function put(next: Rig, label: string): Promise<void> {
		const { problems, impacts } = objectionsTo(app, next);
		if (problems.length > 0 || impacts.length > 0) {
			objections = {
				rig: next,
				label,
				words: [
					...problems.map(
						({ path, expected, got }) => `${path.replace('$.', '')}: expected ${expected}, got ${got}.`
					),
					...impacts.map((impact) => sayImpact(next, impact, units))
				]
			};
			return;
		}
		await app.save({ kind: 'rig', value: next }, label);
	}
	async function change(part: Partial<Tank>, what: string): Promise<void> {
		if (rig && tank)
			await put({ ...rig, tanks: withItem(rig.tanks, { ...tank, ...part }) } as Rig, `${tank.name}: ${what}`);
	}
	async function keep(trial: Trial, deadL: number | undefined): Promise<void> {
		if (!tank) return;
		await change(
			{ trials: [...(tank.trials ?? []), trial], ...(deadL === undefined ? {} : { deadL }) },
			`${TRIAL_WORDS[trial.kind].toLowerCase()} kept`
		);
		trying = undefined;
	}
	async function useCurve(trial: Trial): Promise<void> {
		const gauge = rig?.instruments.find(({ id }) => id === trial.instrument);
		if (!rig || gauge?.kind !== 'gauge') return;
		const { learnCurve } = await import('$core/rig');
		const { steps } = learnCurve(trial.readings ?? [], gauge);
		const curve = steps.map((point) => ({ reads: point.reads, litres: point.litres }));
		await put(
			{ ...rig, instruments: withItem(rig.instruments, { ...gauge, curve }) } as Rig,
			`${gauge.name}: curve from the stepwise trial`
		);
	}
	async function useScale(id: string, scale: number, sdFraction: number | undefined): Promise<void> {
		const meter = rig?.instruments.find((one) => one.id === id);
		if (!rig || meter?.kind !== 'meter') return;
		await put(
			{
				...rig,
				instruments: withItem(rig.instruments, {
					...meter,
					scale,
					...(sdFraction === undefined ? {} : { sdFraction: Math.max(0.003, sdFraction) })
				})
			} as Rig,
			`${meter.name}: scale from buckets`
		);
	}
</script>

{#if rig && tank}
	<div class="page">
		<header>
			<p><a href="/rig">Rig</a></p>
			<h1>{tank.name}</h1>
			<p class="soft">
				{tank.holds}, plate {litres(tank.nominalL)}, {tank.usableL === undefined
					? 'usable volume not measured yet'
					: `${litres(tank.usableL)} usable`}{tank.deadL ? `, ${litres(tank.deadL)} below the suction` : ''}
			</p>
			<button onclick={() => (open = 'tank')}>Change tank</button>
		</header>
		{#each suspicions as suspicion, i (i)}<Notice><p>{saySuspicion(rig, suspicion, units)}</p></Notice>{/each}
		{#if objections}
			<Notice>
				<div role="alert">
					{#each objections.words as words, i (i)}<p>{words}</p>{/each}
				</div>
				<p class="buttons">
					<button
						onclick={() => {
							if (objections) void app.save({ kind: 'rig', value: objections.rig }, objections.label);
							objections = undefined;
						}}>Change it all the same</button
					>
					<button onclick={() => (objections = undefined)}>Leave it</button>
				</p>
			</Notice>
		{/if}

		<section aria-labelledby="past">
			<h2 id="past">Over the trip</h2>
			<TankPast {tank} />
		</section>

		<section aria-labelledby="holds">
			<h2 id="holds">What it really holds</h2>
			<Trials
				{rig}
				{tank}
				{units}
				timeZone={app.timeZone}
				onbegin={(kind) => (trying = kind)}
				onswitch={(trial) =>
					void change(
						{ trials: withItem(tank.trials ?? [], { ...trial, used: !trial.used }) as Trial[] },
						trial.used ? 'a trial switched off' : 'a trial switched on'
					)}
				onremove={(trial) =>
					void change(
						{ trials: (tank.trials ?? []).filter(({ id }) => id !== trial.id) },
						'a trial taken out'
					)}
				onuse={(part, what) => void change(part, what)}
				oncurve={(trial) => void useCurve(trial)}
				onscale={(id, scale, sd) => void useScale(id, scale, sd)}
			/>
		</section>

		<section aria-labelledby="shape">
			<h2 id="shape">Shape</h2>
			{#if drawn}
				<div class="shape">
					<SectionDrawing
						shape={drawn}
						{waterMm}
						holds={tank.holds}
						label="Cross-section of {tank.name}, looking forward, with the level now"
					/>
					<p>
						Holds {litres(fullLitres(drawn))} to the brim.{#if level && waterMm !== undefined}
							Now {litres(level.litres)}, a rod would be wet to {depthText(waterMm, units)}.{/if}
					</p>
				</div>
			{:else if tank.shape}<p>
					A table of {tank.shape.form === 'table' ? tank.shape.rows.length : 0} depths.
				</p>
			{:else}<p class="soft">
					Not known. Measure its inside, or pour it full step by step; then a dipped depth becomes litres.
				</p>{/if}
			<button onclick={() => (open = 'shape')}>{tank.shape ? 'Change shape' : 'Give it a shape'}</button>
		</section>

		{#if tank.shape}
			<section aria-labelledby="dip">
				<h2 id="dip">Dip table and sight marks</h2>
				<div class="fields">
					<SelectField label="Marks" bind:value={stepping} options={STEPPINGS(units)} />
					<NumberField label="Leans to starboard" bind:value={roll} suffix="°" />
					<NumberField label="Front up" bind:value={pitch} suffix="°" />
				</div>
				<p class="soft">
					{stepping === 'days'
						? 'Where the level will stand at each coming dawn, as you live now.'
						: tank.deadL
							? `Litres above the suction; the ${litres(tank.deadL)} below it are not counted.`
							: 'Litres by the wet length of the rod.'}
				</p>
				{#if lines.length === 0}<p>There is nothing to mark.</p>{:else}
					<ol class="dips">
						{#each lines as line, i (i)}
							<li><span class="number">{depthText(line.depthMm, units)}</span><span>{line.label}</span></li>
						{/each}
					</ol>
				{/if}
				<p>
					<a
						class="as-button"
						href="/rig/tank/{tank.id}/print?marks={stepping}&roll={lean.rollDeg}&pitch={lean.pitchDeg}"
						>Print table and strip</a
					>
				</p>
			</section>
		{/if}
		{#if drawn}
			<section aria-labelledby="drain">
				<h2 id="drain">What stays undrained</h2>
				<DrainCard {tank} shape={drawn} {units} />
			</section>
		{/if}
	</div>
	{#if open === 'shape'}
		<Sheet title="Shape of {tank.name}" wide onclose={() => (open = undefined)}>
			<ShapeEditor
				{rig}
				{tank}
				{units}
				onsave={(shape: Shape | undefined) => {
					open = undefined;
					void change({ shape }, 'shape changed');
				}}
				oncancel={() => (open = undefined)}
			/>
		</Sheet>
	{:else if open === 'tank'}
		<RigForm {app} {rig} part="tanks" id={tank.id} onclose={() => (open = undefined)} />
	{/if}
	{#if trying}
		<Sheet title="{TRIAL_WORDS[trying]}: {tank.name}" onclose={() => (trying = undefined)}>
			<TrialRun
				{rig}
				{tank}
				kind={trying}
				{units}
				timeZone={app.timeZone}
				ondone={(trial, deadL) => void keep(trial, deadL)}
				oncancel={() => (trying = undefined)}
			/>
		</Sheet>
	{/if}
{:else if rig}
	<div class="page">
		<h1>No such tank</h1>
		<p>{rig.name} has no tank of that address. <a href="/rig">To the rig</a></p>
	</div>
{/if}

<style>
	.page {
		padding: 1.4rem var(--gap-4) var(--gap-4);
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: var(--gap-4);
		align-content: start;
		max-width: 62rem;
	}
	header {
		display: grid;
		gap: var(--gap-2);
		justify-items: start;
	}
	section {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: var(--gap-3);
		justify-items: start;
		min-width: 0;
	}
	h2 {
		font-size: var(--step-1);
	}
	.shape {
		display: grid;
		grid-template-columns: minmax(0, 20rem) minmax(0, 1fr);
		gap: var(--gap-4);
		align-items: center;
		width: 100%;
	}
	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(10rem, 1fr));
		gap: var(--gap-3);
		width: 100%;
		max-width: 40rem;
	}
	.dips {
		columns: 12rem;
		column-gap: var(--gap-4);
		column-rule: var(--hairline);
		width: 100%;
		font-variant-numeric: tabular-nums;
	}
	.dips li {
		display: grid;
		grid-template-columns: 5rem 1fr;
		gap: var(--gap-3);
		border-bottom: var(--hairline);
		break-inside: avoid;
	}
	.buttons {
		display: flex;
		gap: var(--gap-3);
	}
	@media (max-width: 800px) {
		.page {
			padding: var(--gap-3);
		}
		.shape {
			grid-template-columns: minmax(0, 1fr);
			gap: var(--gap-2);
		}
	}
</style>
