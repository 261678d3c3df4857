<script lang="ts">
	import type { TripCard } from '$core/words';

	/** Two sides to be printed: large, black on white, to be read by a torch. What is behind is left out where there is more ahead. */
	const { card, rig, made }: { card: TripCard; rig: string; made: string } = $props();
	const ahead = $derived(card.stops.filter(({ past }) => !past));
	const stops = $derived(ahead.length > 0 ? ahead : card.stops);
	/** so many stops fit on a side in letters of full size */
	const ROOMY = 7;
	const LINES = Array.from({ length: 6 }, (_, i) => i);
</script>

<div class="card">
	<section class="side" class:dense={stops.length > ROOMY} aria-label="Side one: where to do what">
		<h1>{rig}</h1>
		<p class="of">{card.title}</p>
		<ol>
			{#each stops as stop (stop.id)}
				<li>
					<span class="when">{stop.day}<br />{stop.clock}</span>
					<span class="what">
						<span
							><strong>{stop.name}</strong>{#if stop.about}<span class="about">, {stop.about}</span
								>{/if}</span
						>
						{#each stop.does as does, i (i)}<span class="does"><span class="box"></span>{does}</span>{/each}
						{#each stop.ifShut as line, i (i)}<span class="about">{line}</span>{/each}
						{#if stop.lastFor.length > 0}<span class="last">Last chance: {stop.lastFor.join(', ')}</span>{/if}
						{#if stop.offers && stop.does.length === 0}<span class="about">Here: {stop.offers}</span>{/if}
					</span>
				</li>
			{/each}
		</ol>
	</section>
	<section class="side" aria-label="Side two: what to look at">
		<h2>Tanks</h2>
		<table>
			<tbody>
				{#each card.tanks as tank (tank.name)}
					<tr><th scope="row">{tank.name}</th><td class="number">{tank.now}</td><td>{tank.limit}</td></tr>
				{/each}
			</tbody>
		</table>
		{#if card.meters.length > 0}
			<h2>Meters</h2>
			{#each card.meters as line, i (i)}<p>{line}</p>{/each}
		{/if}
		<h2>Mind</h2>
		<ul class="read">
			{#each card.cautions as caution (caution)}<li>{caution}</li>{/each}
		</ul>
		<h2>Notes</h2>
		<div class="lines">
			{#each LINES as line (line)}<span></span>{/each}
		</div>
		<p class="made">As of {made}. Calculated, not seen.</p>
	</section>
</div>

<style>
	.card {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-4);
	}
	.side {
		flex: 1 1 22rem;
		max-width: 34rem;
		border: 1px solid var(--ink);
		border-radius: var(--corner);
		padding: var(--gap-3) var(--gap-4);
		background: var(--air);
		display: grid;
		align-content: start;
		gap: var(--gap-2);
		font-size: 1.06rem;
	}
	h1 {
		font-size: 1.9rem;
	}
	h2 {
		font-size: 1.15rem;
		border-top: 2px solid var(--ink);
		padding-top: var(--gap-1);
	}
	.of {
		font-weight: 600;
	}
	ol li {
		display: grid;
		grid-template-columns: 6rem minmax(0, 1fr);
		gap: var(--gap-2);
		border-top: 1px solid var(--ink);
		padding: 0.35rem 0;
		line-height: 1.3;
		break-inside: avoid;
	}
	.when {
		white-space: nowrap;
		font-variant-numeric: tabular-nums;
		font-weight: 600;
	}
	.what {
		display: grid;
		overflow-wrap: anywhere;
	}
	.what strong {
		font-size: 1.2rem;
	}
	.does {
		display: flex;
		gap: 0.45rem;
		align-items: center;
		font-weight: 650;
	}
	.box {
		flex: none;
		width: 0.95rem;
		height: 0.95rem;
		border: 2px solid var(--ink);
	}
	.last {
		justify-self: start;
		border: 2px solid var(--ink);
		padding: 0 0.4rem;
		font-weight: 700;
	}
	table {
		font-size: 1.1rem;
	}
	td,
	th {
		padding: 0.1rem 0.8rem 0.1rem 0;
	}
	.lines {
		display: grid;
	}
	.lines span {
		border-bottom: 1px solid var(--ink);
		height: 2.1rem;
	}
	.made {
		font-size: var(--step--1);
	}
	@media print {
		@page {
			size: A5;
			margin: 9mm;
		}
		.card {
			display: block;
		}
		.side {
			border: 0;
			padding: 0;
			max-width: none;
			font-size: 11pt;
			line-height: 1.25;
			gap: 1.5mm;
		}
		.dense {
			font-size: 8.5pt;
		}
		.dense li {
			padding: 0.1rem 0;
			line-height: 1.15;
		}
		.dense .what strong {
			font-size: 1.1em;
		}
		.lines span {
			height: 7.5mm;
		}
		.side + .side {
			break-before: page;
		}
	}
</style>
