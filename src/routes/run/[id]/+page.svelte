<script lang="ts">
	import { page } from '$app/state';
	import { useApp } from '$lib/state';
	import WithRuns from '$lib/ui/features/runs/WithRuns.svelte';

	const app = useApp();
	const query = $derived(page.url.searchParams);
	/** `fill`, `dump` and `carry` begin a run; anything else is the id of one */
	const id = $derived(page.params.id ?? '');
</script>

<WithRuns {app}>
	{#snippet children({ book, rig })}
		{#if id === 'fill'}
			{#await import('$lib/ui/features/runs/start/FillStart.svelte') then { default: FillStart }}
				<FillStart
					{app}
					{book}
					{rig}
					wanted={{ tank: query.get('tank'), stop: query.get('stop'), planned: query.has('plan') }}
				/>
			{/await}
		{:else if id === 'dump'}
			{#await import('$lib/ui/features/runs/start/DumpStart.svelte') then { default: DumpStart }}
				<DumpStart
					{app}
					{book}
					{rig}
					wanted={{
						tanks: query.getAll('tank').filter((tank) => rig.tanks.some((one) => one.id === tank)),
						into: query.get('into'),
						stop: query.get('stop')
					}}
				/>
			{/await}
		{:else if id === 'carry'}
			{#await import('$lib/ui/features/runs/start/CarryStart.svelte') then { default: CarryStart }}
				<CarryStart {app} {book} {rig} by={query.get('by')} />
			{/await}
		{:else}
			{#await import('$lib/ui/features/runs/screen/RunOpened.svelte') then { default: RunOpened }}
				<RunOpened {app} {book} {id} handed={page.url.hash.slice(1)} />
			{/await}
		{/if}
	{/snippet}
</WithRuns>
