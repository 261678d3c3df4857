<script lang="ts">
	import { useApp } from '$lib/state';
	import SanitisingForm from '$lib/ui/features/care/SanitisingForm.svelte';
	import TreatmentForm from '$lib/ui/features/care/TreatmentForm.svelte';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import PageHead from '$lib/ui/kit/page/PageHead.svelte';
	import Section from '$lib/ui/kit/page/Section.svelte';

	const app = useApp();
	const rig = $derived(app.liveRig);
	const units = $derived(app.prefs.current.units);
	const has = (holds: string): boolean => rig?.tanks.some((tank) => tank.holds === holds) ?? false;
</script>

{#if rig}
	<Page up={{ href: '/rig/care', name: 'Care' }} measure="text">
		<PageHead
			title="How much of it?"
			says="Arithmetic only. What to use, and whether, the health authority and the label say."
		/>
		{#if has('fresh')}<Section title="Sanitise a fresh tank"><SanitisingForm {rig} {units} /></Section>{/if}
		{#if has('black')}<Section title="Treat a black tank"><TreatmentForm {rig} {units} /></Section>{/if}
		{#if !has('fresh') && !has('black')}<p class="soft">This rig has no tank to dose.</p>{/if}
	</Page>
{/if}
