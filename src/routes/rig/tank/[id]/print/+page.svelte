<script lang="ts">
	import { page } from '$app/state';
	import { tankById } from '$core/rig';
	import { formatLitres } from '$core/units';
	import { useApp } from '$lib/state';
	import { depthText, dipLines, rodOf, STEPPINGS, type Stepping } from '$lib/ui/dipView';

	const app = useApp();
	const units = $derived(app.prefs.current.units);
	const tank = $derived(app.rig && tankById(app.rig, page.params.id ?? ''));
	const rod = $derived(app.rig && tank ? rodOf(app.rig.instruments, tank.id) : undefined);
	const degrees = (name: string): number => {
		const value = Number(page.url.searchParams.get(name) ?? 0);
		return Number.isFinite(value) ? Math.min(45, Math.max(-45, value)) : 0;
	};
	const lean = $derived({ rollDeg: degrees('roll'), pitchDeg: degrees('pitch') });
	const stepping = $derived(
		STEPPINGS(units).find(({ value }) => value === page.url.searchParams.get('marks'))?.value ??
			('L10' as Stepping)
	);
	const lines = $derived(
		tank?.shape
			? dipLines(
					{ ...tank, shape: tank.shape },
					stepping,
					{ lean, at: rod?.at, deadL: tank.deadL },
					units,
					app.assessment?.tanks.find(({ id }) => id === tank.id)?.flags ?? []
				)
			: []
	);
	const topMm = $derived(Math.max(1, ...lines.map(({ depthMm }) => depthMm)));
	/** A page takes this much of a strip, mm; longer ones are cut and taped together. */
	const PAGE_MM = 240;
	const pieces = $derived(
		Array.from({ length: Math.ceil(topMm / PAGE_MM) }, (_, i) => ({
			from: i * PAGE_MM,
			to: Math.min(topMm, (i + 1) * PAGE_MM)
		}))
	);
	const HEAD_MM = 6;
	/** Labels closer than this would lie over each other, mm. */
	const APART_MM = 4;
	const labelled = $derived.by(() => {
		let last = -Infinity;
		return new Set(
			[...lines]
				.sort((a, b) => a.depthMm - b.depthMm)
				.filter(({ depthMm }) => {
					const clear = depthMm - last >= APART_MM;
					if (clear) last = depthMm;
					return clear;
				})
				.map(({ depthMm }) => depthMm)
		);
	});
	const leans = $derived(
		lean.rollDeg === 0 && lean.pitchDeg === 0
			? 'rig level'
			: `${lean.rollDeg}° to starboard, front up ${lean.pitchDeg}°`
	);
</script>

{#if tank && tank.shape}
	<div class="page">
		<p class="screen-only">
			<a href="/rig/tank/{tank.id}">{tank.name}</a>
			<button class="primary" onclick={() => window.print()}>Print</button>
			<span class="soft"
				>Print at 100 %, not fitted to the page; then the strip is true. Check it with a ruler.</span
			>
		</p>
		<h1>{app.rig?.name}: {tank.name}</h1>
		<p>
			{STEPPINGS(units).find(({ value }) => value === stepping)?.label}, {leans}{tank.deadL
				? `; litres above the suction, ${formatLitres(tank.deadL, units)} below it not counted`
				: ''}.
		</p>
		<div class="sheet">
			<ol>
				{#each lines as line, i (i)}<li>
						<span>{depthText(line.depthMm, units)}</span><span>{line.label}</span>
					</li>{/each}
			</ol>
			{#each pieces as piece, i (i)}
				<figure>
					<svg
						width="42mm"
						height="{piece.to - piece.from + 2 * HEAD_MM}mm"
						viewBox="0 0 42 {piece.to - piece.from + 2 * HEAD_MM}"
						role="img"
						aria-label="Strip at true scale from {Math.round(piece.from)} to {Math.round(piece.to)} mm"
					>
						<rect x="0.2" y={HEAD_MM} width="34" height={piece.to - piece.from} class="edge" />
						{#each lines.filter(({ depthMm }) => depthMm >= piece.from && depthMm <= piece.to) as line, i (i)}
							{@const y = HEAD_MM + piece.to - line.depthMm}
							<line x1="0.2" x2={labelled.has(line.depthMm) ? 12 : 7} y1={y} y2={y} class="mark" />
							{#if labelled.has(line.depthMm)}<text x="13" y={y + 1.1}>{line.label}</text>{/if}
						{/each}
					</svg>
					<figcaption>
						{pieces.length > 1
							? `${depthText(piece.from, units)} to ${depthText(piece.to, units)} from the floor`
							: 'Lower edge on the inside floor'}
					</figcaption>
				</figure>
			{/each}
			<figure>
				<svg
					width="100mm"
					height="10mm"
					viewBox="0 0 100 10"
					role="img"
					aria-label="Ruler of 100 millimetres"
				>
					<line x1="0.1" x2="99.9" y1="6" y2="6" class="mark" />
					{#each [0.1, 25, 50, 75, 99.9] as x (x)}<line x1={x} x2={x} y1="3.5" y2="6" class="mark" />{/each}
				</svg>
				<figcaption>This line is 100 mm long when the print is true.</figcaption>
			</figure>
		</div>
	</div>
{:else if app.rig}
	<div class="page">
		<h1>Nothing to print</h1>
		<p>This tank has no shape yet. <a href="/rig">To the rig</a></p>
	</div>
{/if}

<style>
	.page {
		padding: var(--gap-4);
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: var(--gap-3);
		align-content: start;
	}
	.screen-only {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-3);
		align-items: center;
	}
	.sheet {
		display: flex;
		flex-wrap: wrap;
		gap: 8mm;
		align-items: flex-start;
	}
	ol {
		columns: 2;
		column-gap: 8mm;
		font-variant-numeric: tabular-nums;
		font-size: var(--step--1);
		min-width: 70mm;
		flex: 1 1 70mm;
	}
	li {
		display: grid;
		grid-template-columns: 16mm 1fr;
		border-bottom: var(--hairline);
		break-inside: avoid;
	}
	figure {
		break-inside: avoid;
	}
	.edge {
		fill: none;
		stroke: var(--ink);
		stroke-width: 0.25;
	}
	.mark {
		stroke: var(--ink);
		stroke-width: 0.3;
	}
	text {
		font-size: 3.2px;
		fill: var(--ink);
	}
	figcaption {
		font-size: var(--step--1);
		max-width: 60mm;
	}
	@media print {
		.screen-only {
			display: none;
		}
		.page {
			padding: 0;
		}
	}
</style>
