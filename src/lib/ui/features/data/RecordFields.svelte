<script lang="ts">
	import Terms from '../../kit/page/Terms.svelte';
	import { recordTables } from './formatPage';

	/** The fields of each kind of record, behind its name. */
	const records = recordTables();
</script>

{#each records as { name, fields } (name)}
	<details>
		<summary>{name}</summary>
		<Terms
			terms={fields.map((field) => ({ term: field.name, says: field.holds, optional: !field.needed }))}
		/>
	</details>
{/each}

<style>
	summary {
		min-height: 2.25rem;
		padding-top: 0.4rem;
		cursor: pointer;
	}
	@media (pointer: coarse) {
		summary {
			min-height: var(--touch);
		}
	}
</style>
