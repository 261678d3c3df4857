<script lang="ts">
	import { page } from '$app/state';
	import { goto } from '$app/navigation';
	import type { Instrument } from '$core/logbook';
	import { plumbingOf, suspicionsOf, tankById, traceOf, traceOfEntry } from '$core/rig';
	import { sayFault, saySuspicion } from '$core/verdict';
	import { formatFigure, formatLitres, fromBase } from '$core/units';
	import { useApp } from '$lib/state';
	import { describeEntry } from '$lib/ui/describe';
	import NewRig from '$lib/ui/NewRig.svelte';
	import Notice from '$lib/ui/Notice.svelte';
	import RigForm from '$lib/ui/RigForm.svelte';
	import type { RigPart } from '$lib/ui/rigFields';
	import Rod from '$lib/ui/Rod.svelte';
	import WhyHabit from '$lib/ui/WhyHabit.svelte';
	import Schematic from '$lib/ui/Schematic.svelte';
	import { tankViews } from '$lib/ui/tankView';

	const app = useApp();
	let open = $state<{ part: RigPart | 'rig'; id?: string; kind?: Instrument['kind'] }>();
	let beginning = $state(false);

	const rig = $derived(app.rig);
	const units = $derived(app.prefs.current.units);
	const views = $derived(
		rig && app.assessment
			? new Map(tankViews(rig, app.assessment, units, app.timeZone).map((view) => [view.id, view]))
			: new Map()
	);
	const believed = $derived(new Map(app.assessment?.levels.habits.map((habit) => [habit.id, habit])));
	const litres = (value: number | undefined): string =>
		value === undefined ? '' : formatLitres(value, units);
	const give = (sd: number): string => formatFigure(fromBase(1.645 * sd, units.volume));
	const nameOf = (id: string): string => (rig && tankById(rig, id)?.name) ?? id;
	const plumbing = $derived(rig && plumbingOf(rig));
	const levels = $derived(
		new Map(
			app.assessment?.levels.tanks.map(({ id, litres: l, usableL }) => [
				id,
				{ share: Math.min(1, l / usableL), text: `${litres(l)} of ${litres(usableL)}` }
			])
		)
	);
	const suspicions = $derived(
		rig
			? [
					...suspicionsOf(rig, app.entries).map((one) => saySuspicion(rig, one, units)),
					...(plumbing?.faults ?? [])
						.filter(({ kind }) => kind !== 'loop')
						.map((fault) => sayFault(rig, fault))
				]
			: []
	);

	/** A habit or an entry that is followed through the pipes; it stands in the address, so that a link can show it. */
	const followed = $derived(page.url.searchParams.get('trace') ?? '');
	const entry = $derived(app.entries.find(({ id }) => id === followed));
	const traced = $derived.by(() => {
		if (!rig) return undefined;
		const on = app.assessment?.measures ?? [];
		const habit = rig.habits.find(({ id }) => id === followed);
		return habit ? traceOf(rig, habit, on) : entry ? traceOfEntry(rig, entry, on) : undefined;
	});
	const follow = (id: string): void =>
		void goto(id === followed || id === '' ? '/rig' : `/rig?trace=${encodeURIComponent(id)}`, {
			replaceState: true,
			noScroll: true,
			keepFocus: true
		});
	function openNode(id: string): void {
		if (rig && tankById(rig, id)) void goto(`/rig/tank/${encodeURIComponent(id)}`);
		else open = { part: 'outlets', id };
	}

	function instrumentText(instrument: Instrument): string {
		if (instrument.kind === 'meter')
			return `meter ${{ pump: 'at the pump', fill: 'on the hose', mains: 'at the pressure inlet' }[instrument.place]}, counts ${instrument.counts}`;
		if (instrument.kind === 'rod') return 'rod, a dipped depth';
		return `gauge: ${instrument.curve.map(({ reads }) => reads).join(', ')}`;
	}
	let why = $state<string>();
	const whyHabit = $derived(rig?.habits.find(({ id }) => id === why));
	const whyBelieved = $derived(believed.get(why ?? ''));
	const often = (times: number, per: string): string =>
		`${times} × per ${per === 'day' ? 'day' : 'person and day'}`;
</script>

{#if rig}
	<div class="page">
		<header>
			<h1>{rig.name}</h1>
			<p class="soft">
				{rig.kind === 'boat' ? 'Boat' : 'Camper'}, usually {rig.crew} aboard{rig.payloadKg
					? `, ${rig.payloadKg} kg payload`
					: ''}
			</p>
			<p class="buttons">
				<button onclick={() => (open = { part: 'rig' })}>Change rig</button>
				<a class="as-button" href="/rig/weight">Weight</a>
				<a class="as-button" href="/rig/what-if">What if</a>
				<button onclick={() => (beginning = true)}>Another rig</button>
			</p>
		</header>
		{#if suspicions.length > 0}
			<Notice
				>{#each suspicions as words, i (i)}<p>{words}</p>{/each}</Notice
			>
		{/if}

		{#if plumbing}
			<section aria-labelledby="plumbing">
				<div class="titled">
					<h2 id="plumbing">Where the water goes</h2>
					<label class="follow">
						Follow
						<select
							aria-label="Follow through the rig"
							value={traced ? followed : ''}
							onchange={(event) => follow(event.currentTarget.value)}
						>
							<option value="">nothing</option>
							{#each rig.habits as habit (habit.id)}<option value={habit.id}>{habit.name}</option>{/each}
							{#if entry}<option value={entry.id}
									>{describeEntry(entry, { rig, trips: app.trips, units })}</option
								>{/if}
						</select>
					</label>
				</div>
				<Schematic {plumbing} {levels} {traced} onnode={openNode} />
				<p class="soft">
					Solid: pipes. Dashed: carried by hand. Open a tank for what it really holds, an outlet to change it.
				</p>
			</section>
		{/if}

		<section>
			<h2>Tanks</h2>
			<table>
				<thead
					><tr
						><th scope="col" colspan="2">Tank</th><th scope="col" class="number">Now</th><th
							scope="col"
							class="number">Usable</th
						><th scope="col" class="number wide">Plate</th><th scope="col" class="number wide">Reserve</th><td
						></td></tr
					></thead
				>
				<tbody>
					{#each rig.tanks as tank (tank.id)}
						{@const view = views.get(tank.id)}
						<tr>
							<td class="tiny"
								>{#if view}<Rod facts={view.facts} size="tiny" {units} label={view.label} />{/if}</td
							>
							<th scope="row">
								<a href="/rig/tank/{tank.id}">{tank.name}</a><span class="soft"
									>, {tank.holds}{tank.feeds ? `, poured into ${nameOf(tank.feeds)}` : ''}{tank.joined
										? `, level with ${nameOf(tank.joined)}`
										: ''}</span
								>
							</th>
							<td class="number">{view?.level ?? ''}</td>
							<td class="number">{tank.usableL === undefined ? 'not measured' : litres(tank.usableL)}</td>
							<td class="number wide">{litres(tank.nominalL)}</td>
							<td class="number wide">{litres(tank.reserveL)}</td>
							<td
								><button
									class="quiet"
									onclick={() => (open = { part: 'tanks', id: tank.id })}
									aria-label="Change {tank.name}">Change</button
								></td
							>
						</tr>
					{/each}
				</tbody>
			</table>
			<button onclick={() => (open = { part: 'tanks' })}>Add tank</button>
		</section>

		<section>
			<h2>Outlets</h2>
			{#if rig.outlets.length === 0}<Notice calm
					><p>
						No outlet yet: say where water is drawn and where it runs to, and the waste tanks fill by
						themselves.
					</p></Notice
				>{/if}
			<ul>
				{#each rig.outlets as outlet (outlet.id)}
					<li>
						<strong>{outlet.name}</strong><span>{nameOf(outlet.from)} → {nameOf(outlet.to)}</span><button
							class="quiet"
							onclick={() => (open = { part: 'outlets', id: outlet.id })}
							aria-label="Change {outlet.name}">Change</button
						>
					</li>
				{/each}
			</ul>
			<button disabled={rig.tanks.length === 0} onclick={() => (open = { part: 'outlets' })}
				>Add outlet</button
			>
		</section>

		<section>
			<h2>Habits</h2>
			<table>
				<thead
					><tr
						><th scope="col">Habit</th><th scope="col" class="number">As stated</th><th
							scope="col"
							class="number">As believed</th
						><th scope="col" class="wide">Cadence stated</th><th scope="col" class="number wide">Logged</th
						><td></td></tr
					></thead
				>
				<tbody>
					{#each rig.habits as habit (habit.id)}
						{@const known = believed.get(habit.id)}
						<tr>
							<th scope="row">{habit.name}</th>
							<td class="number"
								>{litres(habit.litresEach.mean)}<span class="soft">&nbsp;± {give(habit.litresEach.sd)}</span
								></td
							>
							<td class="number"
								>{#if known}<button
										class="quiet figure"
										onclick={() => (why = habit.id)}
										aria-label="Why {litres(known.litresEach)} for {habit.name}?"
										>{litres(known.litresEach)}</button
									><span class="soft">&nbsp;± {give(known.sd)}</span>{/if}</td
							>
							<td class="wide soft">{often(habit.often.times, habit.often.per)}</td>
							<td class="number wide">{known?.times ?? 0} ×</td>
							<td
								><button
									class="quiet"
									onclick={() => (open = { part: 'habits', id: habit.id })}
									aria-label="Change {habit.name}">Change</button
								></td
							>
						</tr>
					{/each}
				</tbody>
			</table>
			{#if app.assessment}
				{@const unlogged = app.assessment.levels.unlogged}
				<p>
					Not written down: <strong>{litres(unlogged.litresPerPersonDay)}</strong>
					<span class="soft"
						>± {give(unlogged.sd)} for each person and day, as believed now{rig.unlogged
							? `; you stated ${litres(rig.unlogged.mean)} ± ${give(rig.unlogged.sd)}`
							: ', from how often the log has each habit and from every reading'}.</span
					>
				</p>
			{/if}
			<button disabled={rig.outlets.length === 0} onclick={() => (open = { part: 'habits' })}
				>Add habit</button
			>
		</section>

		<section>
			<h2>Instruments</h2>
			<ul>
				{#each rig.instruments as instrument (instrument.id)}
					<li>
						<strong><a href="/rig/instrument/{instrument.id}">{instrument.name}</a></strong><span
							>{nameOf(instrument.tank)}, <span class="soft">{instrumentText(instrument)}</span></span
						><button
							class="quiet"
							onclick={() => (open = { part: 'instruments', id: instrument.id })}
							aria-label="Change {instrument.name}">Change</button
						>
					</li>
				{/each}
			</ul>
			<p class="buttons">
				{#each [['meter', 'Add meter'], ['gauge', 'Add gauge'], ['rod', 'Add rod']] as const as [kind, label] (kind)}
					<button disabled={rig.tanks.length === 0} onclick={() => (open = { part: 'instruments', kind })}
						>{label}</button
					>
				{/each}
			</p>
		</section>

		<section>
			<h2>Measures</h2>
			<ul>
				{#each rig.measures as measure (measure.id)}
					<li>
						<strong>{measure.name}</strong><span class="soft"
							>{rig.habits.find(({ id }) => id === measure.habit)?.name}{app.assessment?.measures.includes(
								measure.id
							)
								? ', on now'
								: ''}</span
						><button
							class="quiet"
							onclick={() => (open = { part: 'measures', id: measure.id })}
							aria-label="Change {measure.name}">Change</button
						>
					</li>
				{/each}
			</ul>
			<button disabled={rig.habits.length === 0} onclick={() => (open = { part: 'measures' })}
				>Add measure</button
			>
		</section>
	</div>
	{#if whyHabit && whyBelieved}
		<WhyHabit {app} habit={whyHabit} believed={whyBelieved} onclose={() => (why = undefined)} />
	{/if}
	{#if beginning}<NewRig {app} onclose={() => (beginning = false)} />{/if}
	{#if open}
		<RigForm {app} {rig} part={open.part} id={open.id} kind={open.kind} onclose={() => (open = undefined)} />
	{/if}
{/if}

<style>
	.page {
		padding: 1.4rem var(--gap-4) var(--gap-4);
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: var(--gap-4);
		align-content: start;
	}
	header {
		display: flex;
		flex-wrap: wrap;
		align-items: baseline;
		gap: var(--gap-2) var(--gap-3);
	}
	section {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: var(--gap-2);
		justify-items: start;
		min-width: 0;
	}
	h2 {
		font-size: var(--step-1);
	}
	th,
	td {
		padding: 0.3rem 0.7rem 0.3rem 0;
		border-top: var(--hairline);
	}
	thead th,
	thead td {
		border: 0;
		color: var(--soft-ink);
		font-size: var(--step--1);
	}
	thead .number,
	td.number {
		white-space: nowrap;
	}
	.titled {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-2) var(--gap-4);
		align-items: center;
		justify-content: space-between;
		width: 100%;
	}
	.follow {
		display: flex;
		gap: var(--gap-2);
		align-items: center;
		color: var(--soft-ink);
	}
	.follow select {
		max-width: 14rem;
		color: var(--ink);
	}
	.quiet.figure {
		padding: 0;
		min-height: 0;
		text-decoration-style: dotted;
		text-decoration-thickness: 1px;
	}
	@media (pointer: coarse) {
		.quiet.figure {
			padding-block: 0.75rem;
			margin-block: -0.75rem;
		}
	}
	.tiny {
		width: 1.6rem;
	}
	.tiny :global(svg) {
		margin: -8px 0;
	}
	ul {
		width: 100%;
	}
	li {
		display: grid;
		grid-template-columns: minmax(7rem, 14rem) minmax(0, 1fr) auto;
		gap: var(--gap-2);
		align-items: center;
		border-top: var(--hairline);
		padding: 0.15rem 0;
		overflow-wrap: anywhere;
	}
	.buttons {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-2);
	}
	@media (max-width: 800px) {
		.page {
			padding: var(--gap-3);
		}
		.wide {
			display: none;
		}
		th,
		td {
			padding-right: 0.45rem;
		}
		li {
			grid-template-columns: minmax(0, 1fr) auto;
		}
		li > span {
			grid-row: 2;
		}
	}
</style>
