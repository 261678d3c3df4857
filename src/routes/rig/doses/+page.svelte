<script lang="ts">
	import { DOSES_CAUTION } from '$core/words';
	import { useApp } from '$lib/state';
	import SanitisingForm from '$lib/ui/features/care/SanitisingForm.svelte';
	import WaterDoseForm from '$lib/ui/features/care/WaterDoseForm.svelte';
	import TreatmentForm from '$lib/ui/features/care/TreatmentForm.svelte';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import PageHead from '$lib/ui/kit/page/PageHead.svelte';
	import Section from '$lib/ui/kit/page/Section.svelte';

	const app = useApp();
	const rig = $derived(app.liveRig);
	const units = $derived(app.prefs.current.units);
	const levels = $derived(new Map(app.engine.assessment?.levels.tanks.map((one) => [one.id, one.litres])));
	const has = (holds: string): boolean => rig?.tanks.some((tank) => tank.holds === holds) ?? false;
</script>

{#if rig}
	<Page up={{ href: '/rig/care', name: 'Care' }} measure="text">
		<PageHead title="How much of it?" says={DOSES_CAUTION} />
		{#if has('fresh')}
			<Section title="Sanitise tank and pipes"><SanitisingForm {rig} {units} /></Section>
			<Section title="Treat the water that is in a tank"><WaterDoseForm {rig} {levels} {units} /></Section>
		{/if}
		{#if has('black')}<Section title="Treat a black tank"><TreatmentForm {rig} {units} /></Section>{/if}
		{#if !has('fresh') && !has('black')}<p class="soft">This rig has no tank to dose.</p>{/if}
	</Page>
{/if}
