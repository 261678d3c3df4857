<script lang="ts">
	import { litresPerUnit } from '$core/rig';
	import type { StopMark } from '$core/runs';
	import { simulatedMeter } from '$lib/standins/flowMeter';
	import type { LiveMeter } from './liveMeter.svelte';
	import { readyToSound } from './signal';

	interface Props {
		live: LiveMeter;
		mark: StopMark;
		flowLpm: number | undefined;
	}
	/** A meter that counts by itself, on and off; the one that ships is a stand-in, and says so. */
	const { live, mark, flowLpm }: Props = $props();

	/** A tap's usual flow, litres a minute. */
	const USUAL_LPM = 12;

	function follow(): void {
		readyToSound();
		const { meter, from } = mark;
		live.follow(
			simulatedMeter({
				from: live.shows ?? from,
				counts: meter.counts,
				litresPerUnit: litresPerUnit(meter),
				lpm: flowLpm ?? USUAL_LPM
			})
		);
	}
</script>

<p class="follow">
	{#if live.state === 'off'}
		<button class="small" onclick={follow}>Let it count by itself</button>
		<span class="soft">A simulated meter: a stand-in for one that sends.</span>
	{:else}
		<span role="status"
			>{live.state === 'waiting'
				? 'Waiting for the meter…'
				: live.state === 'lost'
					? 'No signal from the meter. It is still counting: read it yourself, or wait.'
					: 'The simulated meter counts.'}</span
		>
		<button class="small" onclick={() => live.stop()}>Read it myself</button>
	{/if}
</p>

<style>
	.follow {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-1) var(--gap-3);
		align-items: center;
	}
</style>
