<script lang="ts">
	import { saySamples } from '$core/words';
	import { formatFigure, formatLitres } from '$core/units';
	import type { App } from '$lib/state';
	import { bluetoothMeter, serialMeter, waysToMeter, type SampleFile } from '$lib/listening';
	import { KEEP_DAYS, listeningBeside } from '$lib/state/listening.svelte';
	import { simulatedRig, type FlowMeter } from '$lib/standins/flowMeter';
	import { errorMessage } from '$lib/errorMessage';
	import { toast } from '../../kit/toast.svelte';
	import SelectField from '../../kit/fields/SelectField.svelte';

	/** Where a meter that counts by itself is heard from, what is kept of it here, and from how sure on it logs by itself. */
	const { app }: { app: App } = $props();
	// svelte-ignore state_referenced_locally
	const listening = listeningBeside(app);
	const ways = waysToMeter();
	const rig = $derived(app.liveRig);
	const meters = $derived(listening.meters);
	const meter = $derived(listening.meter ?? meters[0]);
	const told = $derived(listening.told);
	const context = $derived(
		rig && { rig, units: app.prefs.current.units, nowMs: app.nowMs, timeZone: app.timeZone }
	);
	let file = $state.raw<SampleFile>();
	/** a file may have its samples in any order */
	const spanOf = ({ samples }: SampleFile): readonly [fromMs: number, toMs: number] =>
		samples.reduce(([from, to], [ms]) => [Math.min(from, ms), Math.max(to, ms)], [Infinity, -Infinity]);
	let wrong = $state('');
	let busy = $state(false);

	const NEVER = 'never';
	const SURE = [
		{ value: NEVER, label: 'never: I nod at each' },
		{ value: '0.99', label: '99% sure' },
		{ value: '0.95', label: '95% sure' },
		{ value: '0.9', label: '90% sure' }
	];
	const KEEP = [2, 7, 14, 28].map((days) => ({ value: String(days), label: `${days} days` }));

	/** Does what may be refused, and says why it was. */
	async function trying(act: () => Promise<void>): Promise<void> {
		[busy, wrong] = [true, ''];
		try {
			await act();
		} catch (error) {
			// Who closes the browser's own list of devices has chosen none.
			if (!(error instanceof DOMException && error.name === 'NotFoundError'))
				wrong = `${errorMessage(error)}.`;
		}
		busy = false;
	}
	const connect = (make: () => Promise<FlowMeter>, name: string): Promise<void> =>
		trying(async () => listening.connect(await make(), name));

	function startRig(): Promise<void> {
		return trying(async () => {
			if (!rig || !meter) return;
			const entries = app.rigEntries.filter(({ kind }) => kind === 'use' || kind === 'reading');
			const day = { rig, meter, entries, toMs: Date.now(), timeZone: app.timeZone, seed: 1 };
			await listening.connect(simulatedRig(day), 'The simulated rig');
		});
	}
	const readFile = (chosen: File | undefined): Promise<void> =>
		trying(async () => {
			if (chosen) file = await listening.read(await chosen.text());
		});
	/** The browser's own choice of a file, for this one only. */
	function pickFile(): void {
		const input = Object.assign(document.createElement('input'), {
			type: 'file',
			accept: '.csv,.txt,text/csv,text/plain',
			hidden: true
		});
		// In the page while one chooses: some browsers forget a field that is in none.
		document.body.append(input);
		input.onchange = () => {
			input.remove();
			void readFile(input.files?.[0]);
		};
		input.oncancel = () => input.remove();
		input.click();
	}
	const takeFile = (): Promise<void> =>
		trying(async () => {
			if (!file) return;
			const [all, taken] = [file.samples.length, await listening.take(file)];
			const older = all > taken ? ` ${all - taken} older ones are not saved here.` : '';
			toast(`Imported: ${taken} samples.${older}`);
			file = undefined;
		});
	const forget = (): Promise<void> =>
		trying(async () => {
			await listening.forget();
			toast('The samples are removed. What was logged from them stays.');
		});
</script>

{#if !rig || !meter}
	<p>
		Add a meter on the pump’s line under <a href="/rig">Rig</a>: a meter that sends its total can log most of
		your uses.
	</p>
{:else}
	<p>
		A meter on the pump’s line that sends its total can log most of your uses: it hears when water runs, how
		much and how fast, and you nod. Samples stay on this device; the logbook gets uses and readings.
	</p>
	{#if meters.length > 1}
		<SelectField
			label="Meter"
			value={meter.id}
			options={meters.map(({ id, name }) => ({ value: id, label: name }))}
			onchange={(id) => void listening.choose({ meter: id })}
		/>
	{/if}
	<p class="buttons">
		{#if listening.device === 'off' || listening.device === 'lost'}
			<button disabled={busy} onclick={() => void startRig()}>Start the simulated rig</button>
			{#if ways.includes('serial')}<button
					disabled={busy}
					onclick={() => void connect(serialMeter, 'The meter by USB')}>Connect by USB</button
				>{/if}
			{#if ways.includes('bluetooth')}<button
					disabled={busy}
					onclick={() => void connect(bluetoothMeter, 'The meter by Bluetooth')}>Connect by Bluetooth</button
				>{/if}
		{:else}
			<button onclick={() => listening.stop()}>Stop listening</button>
		{/if}
		<button disabled={busy} onclick={pickFile}>Samples from a file</button>
	</p>
	<p role="status">
		{#if listening.device === 'waiting'}{listening.name}: waiting for the first reading…
		{:else if listening.device === 'live' && listening.shows !== undefined}{listening.name}:
			<strong>{formatFigure(listening.shows)}</strong>{#if listening.lpm !== undefined}, {formatLitres(
					listening.lpm,
					app.prefs.current.units
				)} a minute{/if}
		{:else if listening.device === 'lost'}{listening.name} has stopped sending.{/if}
	</p>
	{#if wrong || listening.trouble}<p class="mind" role="alert">{wrong || listening.trouble}</p>{/if}
	{#if file && context}
		<div class="file">
			{#if file.samples.length > 0}
				<p>{saySamples(file.samples.length, spanOf(file), context)}, for {meter.name}.</p>
			{:else}
				<p>No sample found. A line is a time and a total, such as “2027-04-18T07:10:00Z,412.63”.</p>
			{/if}
			{#if file.problems.length > 0}
				<details>
					<summary
						>{file.problems.length === 1 ? '1 line is' : `${file.problems.length} lines are`} skipped</summary
					>
					<ul>
						{#each file.problems as { path, expected, got }, i (i)}<li class="small">
								{path}: expected {expected}, got {got}
							</li>{/each}
					</ul>
				</details>
			{/if}
			<p class="buttons">
				{#if file.samples.length > 0}<button class="primary" disabled={busy} onclick={() => void takeFile()}
						>Import</button
					>{/if}
				<button onclick={() => (file = undefined)}>Cancel</button>
			</p>
		</div>
	{/if}
	<div class="fields">
		<SelectField
			label="Log by itself when"
			value={listening.to?.sure === undefined ? NEVER : String(listening.to.sure)}
			options={SURE}
			onchange={(value) => void listening.choose({ sure: value === NEVER ? undefined : Number(value) })}
		/>
		<SelectField
			label="Save samples for"
			value={String(listening.to?.keepDays ?? KEEP_DAYS)}
			options={KEEP}
			onchange={(value) => void listening.choose({ keepDays: Number(value) })}
		/>
	</div>
	{#if told && told.samples > 0 && context && told.firstMs !== undefined && told.lastMs !== undefined}
		<p class="soft">
			{saySamples(told.samples, [told.firstMs, told.lastMs], context)}.
			<a href="/ledger/heard">What was heard</a>
			<button class="quiet small" disabled={busy} onclick={() => void forget()}>Remove samples</button>
		</p>
	{/if}
	<p class="soft small">
		USB and Bluetooth need a browser that has them; the lines a meter sends are described in the project’s
		docs, untested on real hardware.
	</p>
{/if}

<style>
	.file {
		border-left: 3px solid var(--line);
		padding-left: var(--gap-3);
		display: grid;
		gap: var(--gap-2);
	}
	.fields {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-2) var(--gap-4);
	}
</style>
