<script lang="ts">
	import type { Rig } from '$core/logbook';
	import { VIEWS } from './views';

	interface Props {
		rigs: readonly Rig[];
		rig: Rig;
		/** `Grethe Moor bat survey, day 6 of 16, 2 aboard` */
		occasion: string;
		path: string;
		onrig: (id: string) => void;
	}
	const { rigs, rig, occasion, path, onrig }: Props = $props();
</script>

<header>
	{#if rigs.length > 1}
		<select
			class="rig"
			aria-label="Rig"
			value={rig.id}
			onchange={(event) => onrig(event.currentTarget.value)}
		>
			{#each rigs as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
		</select>
	{:else}
		<p class="rig">{rig.name}</p>
	{/if}
	<p class="occasion soft">{occasion}</p>
	<nav aria-label="Views">
		<ul>
			{#each VIEWS as view (view.path)}
				<li>
					<a
						href={view.path}
						aria-current={path === view.path || (view.path !== '/' && path.startsWith(`${view.path}/`))
							? 'page'
							: undefined}>{view.name}</a
					>
				</li>
			{/each}
		</ul>
	</nav>
</header>

<style>
	header {
		display: flex;
		align-items: center;
		gap: var(--gap-4);
		padding: 0 var(--gap-4);
		border-bottom: var(--hairline);
		min-height: 3.25rem;
	}
	.rig {
		font-family: var(--display);
		font-weight: 650;
		font-size: 1.3rem;
		max-width: 12rem;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	select.rig {
		border-color: transparent;
		padding: 0;
		background: none;
		field-sizing: content;
	}
	option {
		background: var(--paper);
		color: var(--ink);
		font-size: var(--step-0);
	}
	.occasion {
		flex: 1;
		min-width: 0;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	ul {
		display: flex;
		gap: 1.4rem;
	}
	a {
		display: block;
		padding: 0.8rem 0 0.65rem;
		color: var(--soft-ink);
		text-decoration: none;
		border-bottom: 3px solid transparent;
	}
	a[aria-current] {
		color: var(--ink);
		font-weight: 650;
		border-color: var(--ink);
	}
	a:hover {
		color: var(--ink);
	}
	@media (max-width: 800px) {
		header {
			flex-wrap: wrap;
			gap: 0 var(--gap-3);
			padding: var(--gap-1) var(--gap-3) 0;
		}
		.occasion {
			font-size: var(--step--1);
		}
		nav {
			flex: 1 0 100%;
		}
		ul {
			justify-content: space-between;
			gap: 0;
		}
		a {
			padding: 0.6rem 0.4rem 0.5rem;
			min-height: var(--touch);
			min-width: var(--touch);
			text-align: center;
		}
	}
	@media print {
		header {
			display: none;
		}
	}
</style>
