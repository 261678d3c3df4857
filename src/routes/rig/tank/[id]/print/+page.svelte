<script lang="ts">
	import { page } from '$app/state';
	import { tankById } from '$core/rig';
	import { formatLitres } from '$core/units';
	import { useApp } from '$lib/state';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import DipSheet from '$lib/ui/features/tank/dip/DipSheet.svelte';
	import { dipLines, rodOf, STEPPINGS, type Stepping } from '$lib/ui/features/tank/dip/dipView';

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
					app.engine.assessment?.tanks.find(({ id }) => id === tank.id)?.flags ?? []
				)
			: []
	);
	const leans = $derived(
		lean.rollDeg === 0 && lean.pitchDeg === 0
			? 'rig level'
			: `${lean.rollDeg}° to starboard, front up ${lean.pitchDeg}°`
	);
</script>

{#if tank && tank.shape}
	<Page>
		<p class="buttons screen-only">
			<a href="/rig/tank/{tank.id}">{tank.name}</a>
			<button class="primary" onclick={() => window.print()}>Print</button>
			<span class="soft"
				>Print at 100%, not fitted to the page, so that the strip is true to scale. Check it with a ruler.</span
			>
		</p>
		<h1>{app.rig?.name}: {tank.name}</h1>
		<p>
			{STEPPINGS(units).find(({ value }) => value === stepping)?.label}, {leans}{tank.deadL
				? `; usable litres, without the ${formatLitres(tank.deadL, units)} the pump can’t reach`
				: ''}.
		</p>
		<DipSheet {lines} {units} />
	</Page>
{:else if app.rig}
	<Page>
		<h1>Nothing to print</h1>
		<p>This tank has no shape yet. <a href="/rig">To the rig</a></p>
	</Page>
{/if}
