<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { instantMs } from '$core/logbook';
	import { withOthers } from '$core/rig';
	import { isCalendarDay, zonedTime } from '$core/time';
	import { sayAheadDays } from '$core/words';
	import type { App } from '$lib/state';
	import type { Attachment } from 'svelte/attachments';
	import { v7 as uuid } from 'uuid';
	import NumberField from '../../kit/fields/NumberField.svelte';
	import SelectField from '../../kit/fields/SelectField.svelte';
	import TextField from '../../kit/fields/TextField.svelte';
	import Section from '../../kit/page/Section.svelte';
	import { aheadOf, asksCount, choicesOf, problemOf } from './aheadFields';
	import { changeAhead } from './changeAhead';

	/** Days ahead that are unlike others: what is said of them, and a line to say more. */
	const { app }: { app: App } = $props();

	const rig = $derived(app.liveRig);
	const here = $derived({ rig: { habits: rig?.habits ?? [] }, nowMs: app.nowMs, timeZone: app.timeZone });
	const said = $derived(
		(rig?.ahead ?? [])
			.filter(({ to }) => instantMs(to) > app.nowMs)
			.sort((a, b) => instantMs(a.from) - instantMs(b.from))
	);
	const open = $derived(/^#ahead(?:-(.+))?$/.exec(page.url.hash));
	const picked = $derived(open?.[1] !== undefined && isCalendarDay(open[1]) ? open[1] : undefined);
	const show = (shown: boolean): Promise<void> =>
		goto(shown ? '#ahead' : page.url.pathname + page.url.search, {
			noScroll: true,
			keepFocus: true,
			replaceState: true
		});

	/** the day that was picked on the ribbon, the one that is to be reached, or today */
	const day = $derived(
		picked ?? zonedTime(Math.max(app.nowMs, app.goal ? Date.parse(app.goal.until) : 0), app.timeZone).day
	);
	/** who came by a link from above sees the form */
	const cameHere: Attachment<HTMLFormElement> = (form) => form.scrollIntoView({ block: 'center' });
	let what = $state('people');
	let count = $state<number>();
	let babies = $state<number>();
	let dogs = $state<number>();
	let from = $state<string>();
	let to = $state<string>();
	const unlike = $derived({ what, count, from: from ?? day, to: to ?? from ?? day });
	let tried = $state(false);
	const problem = $derived(problemOf(unlike));

	async function add(): Promise<void> {
		tried = true;
		if (problem || !rig) return;
		const days = aheadOf(unlike, uuid(), app.nowMs, app.timeZone, rig);
		// Babies flush nothing and dogs only drink: they are no persons, and count by what they use.
		const { added, habits } =
			what === 'people' && rig ? withOthers(rig, { babies, dogs }, uuid) : { added: [], habits: [] };
		const ahead = habits.length > 0 ? { ...days, habits } : days;
		const told = { ...here, rig: { habits: [...here.rig.habits, ...added] } };
		await changeAhead(app, (all) => [...all, ahead], sayAheadDays(ahead, told), added);
		[tried, from, to, babies, dogs] = [false, undefined, undefined, undefined, undefined];
		await show(false);
	}
</script>

{#if rig}
	<Section title="Unusual days">
		{#if said.length > 0}
			<ul>
				{#each said as one (one.id)}
					<li>
						<span>{sayAheadDays(one, here)}</span><button
							class="quiet small"
							aria-label="Remove {sayAheadDays(one, here)}"
							onclick={() =>
								void changeAhead(
									app,
									(all) => all.filter(({ id }) => id !== one.id),
									`Removed: ${sayAheadDays(one, here)}`
								)}>Remove</button
						>
					</li>
				{/each}
			</ul>
		{/if}
		{#if open}
			<form
				{@attach cameHere}
				onsubmit={(event) => {
					event.preventDefault();
					void add();
				}}
			>
				<SelectField
					label="What"
					value={what}
					options={choicesOf(rig.habits)}
					onchange={(next) => (what = next)}
				/>
				{#if asksCount(what)}<NumberField
						label="How many"
						value={count}
						onchange={(next) => (count = next)}
					/>{/if}
				{#if what === 'people'}
					<NumberField label="Babies besides them" bind:value={babies} optional />
					<NumberField label="Dogs" bind:value={dogs} optional />
				{/if}
				<TextField label="First day" type="date" value={from ?? day} onchange={(next) => (from = next)} />
				<TextField
					label="Last day"
					type="date"
					value={to ?? from ?? day}
					onchange={(next) => (to = next)}
					error={tried ? problem : undefined}
				/>
				<p class="buttons">
					<button type="submit" class="primary">Add</button>
					<button type="button" onclick={() => void show(false)}>Cancel</button>
				</p>
			</form>
		{:else}
			{#if said.length === 0}<p class="soft small">
					Guests, laundry on Saturday, two nights ashore: add it and the forecast counts it.
				</p>{/if}
			<p><button onclick={() => void show(true)}>Add days</button></p>
		{/if}
	</Section>
{/if}

<style>
	ul {
		width: 100%;
	}
	li {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: var(--gap-2);
		border-top: var(--hairline);
	}
	form {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-2);
		align-items: end;
	}
</style>
