<script lang="ts">
	import { zonedTime } from '$core/time';
	import { instantMs, type Service, type Trip } from '$core/logbook';
	import type { LatLon } from '$core/places';
	import { capital, dayText, SERVICE_NAMES } from '$core/words';
	import type { Nearness } from './nearness';

	interface Props {
		text: string;
		kinds: readonly Service['kind'][];
		drinking: boolean;
		near: Nearness;
		onnear: (near: Nearness) => void;
		/** the trip whose way and times can be asked for */
		trip: Trip | undefined;
		nowMs: number;
	}
	/** What is looked for: by words, by what there is, near what. The device is asked where it is once, and tells nobody. */
	let {
		text = $bindable(),
		kinds = $bindable(),
		drinking = $bindable(),
		near,
		onnear,
		trip,
		nowMs
	}: Props = $props();
	const id = $props.id();
	const KINDS = Object.keys(SERVICE_NAMES) as readonly Service['kind'][];
	let asking = $state(false);
	let trouble = $state<string>();
	const ahead = $derived(
		(trip?.stops ?? []).filter(
			({ depart, position, retired }) => position && !retired && instantMs(depart) > nowMs
		)
	);
	const toggle = (kind: Service['kind'], on: boolean): void => {
		kinds = on ? [...kinds, kind] : kinds.filter((one) => one !== kind);
	};
	function whereAmI(): void {
		[asking, trouble] = [true, undefined];
		const end = (found: LatLon | undefined, why?: string): void => {
			[asking, trouble] = [false, why];
			onnear(found ? { kind: 'here', place: found } : { kind: 'anywhere' });
		};
		if (!('geolocation' in navigator))
			return end(undefined, 'This browser can’t tell where you are. Tap the map instead.');
		const LONGEST_MS = 20_000;
		navigator.geolocation.getCurrentPosition(
			({ coords }) => end([coords.longitude, coords.latitude]),
			() => end(undefined, 'The device couldn’t tell where you are. Tap the map, or enter a place.'),
			{ timeout: LONGEST_MS, maximumAge: 60_000 }
		);
	}
	function chooseNear(value: string): void {
		if (value === 'here') return whereAmI();
		trouble = undefined;
		if (value === 'anywhere' || value === 'route') onnear({ kind: value });
		else if (value !== 'pin') onnear({ kind: 'then', stop: value });
	}
	const shown = $derived(near.kind === 'then' ? near.stop : near.kind);
</script>

<div class="filter" role="search">
	<div class="field">
		<label for="{id}-text">Look for</label>
		<input
			id="{id}-text"
			type="search"
			bind:value={text}
			placeholder="name, word, tap, drain"
			autocomplete="off"
		/>
	</div>
	<div class="field">
		<label for="{id}-near">Near</label>
		<select id="{id}-near" value={shown} onchange={(event) => chooseNear(event.currentTarget.value)}>
			<option value="anywhere">anywhere</option>
			{#if ahead.length > 0}<option value="route">the route ahead</option>{/if}
			<option value="here">{asking ? 'asking the device…' : 'here (asks the device)'}</option>
			{#if near.kind === 'pin'}<option value="pin">the pin</option>{/if}
			{#if trip && ahead.length > 0}
				<optgroup label="where we are then">
					{#each ahead as stop (stop.id)}<option value={stop.id}
							>{dayText(zonedTime(Math.max(nowMs, instantMs(stop.arrive)), trip.timeZone).day)}, {stop.name}</option
						>{/each}
				</optgroup>
			{/if}
		</select>
	</div>
	<fieldset>
		<legend class="visually-hidden">What must be there</legend>
		{#each KINDS as kind (kind)}
			<label class="check small"
				><input
					type="checkbox"
					checked={kinds.includes(kind)}
					onchange={(event) => toggle(kind, event.currentTarget.checked)}
				/>{capital(SERVICE_NAMES[kind])}</label
			>
		{/each}
		<label class="check small"><input type="checkbox" bind:checked={drinking} />For drinking</label>
	</fieldset>
	{#if trouble}<p class="mind small" role="alert">{trouble}</p>{/if}
</div>

<style>
	.filter {
		display: grid;
		grid-template-columns: repeat(2, minmax(0, 1fr));
		gap: var(--gap-2) var(--gap-3);
		width: 100%;
	}
	fieldset,
	.filter > p {
		grid-column: 1 / -1;
	}
	fieldset {
		display: flex;
		flex-wrap: wrap;
		gap: 0 var(--gap-3);
		border: 0;
		padding: 0;
	}
	fieldset label {
		min-height: 2.25rem;
	}
</style>
