<script lang="ts">
	import { CAMERA_STAYS } from '$core/words';
	import { errorMessage } from '$lib/errorMessage';
	import { startCodeReader, type Gathered } from '$lib/exchange';
	import { onMount } from 'svelte';
	import Notice from '../../../kit/page/Notice.svelte';
	import { keepAwake } from '../../../kit/wakeLock';

	/** Reads a code off another phone, picture by picture, and shows how many it has. */
	const { onread, oncancel }: { onread: (text: string) => void; oncancel: () => void } = $props();

	/** larger pictures are read no better, only slower */
	const MOST_PX = 720;
	/** a browser that does not tell of frames is asked so often, ms */
	const FRAME_MS = 60;
	let video = $state<HTMLVideoElement>();
	let trouble = $state<string>();
	let gathered = $state.raw<Gathered>();
	let foreign = $state(false);
	let running = $state(false);

	const whyNot = (error: unknown): string => {
		const name = error instanceof DOMException ? error.name : '';
		if (name === 'NotAllowedError')
			return 'The camera isn’t allowed for this page. Allow it in the browser’s settings, or ask for a link or a file.';
		if (name === 'NotFoundError') return 'There is no camera here. Ask for a link or a file.';
		return `The camera doesn’t start: ${errorMessage(error)}. Ask for a link or a file.`;
	};
	const nextFrame = (from: HTMLVideoElement): Promise<unknown> =>
		new Promise((resolve) =>
			'requestVideoFrameCallback' in from
				? from.requestVideoFrameCallback(resolve)
				: setTimeout(resolve, FRAME_MS)
		);
	/** The middle of the picture, as it is shown. */
	const middleOf = (from: HTMLVideoElement): Promise<ImageBitmap> => {
		const side = Math.min(from.videoWidth, from.videoHeight);
		const px = Math.min(side, MOST_PX);
		const [x, y] = [(from.videoWidth - side) / 2, (from.videoHeight - side) / 2];
		return createImageBitmap(from, x, y, side, side, { resizeWidth: px, resizeHeight: px });
	};

	onMount(() => {
		let ended = false;
		let stream: MediaStream | undefined;
		const reader = startCodeReader();
		const endAwake = keepAwake();
		async function watch(): Promise<void> {
			if (!navigator.mediaDevices) {
				trouble = 'The browser gives its camera only to secure addresses (https). Ask for a link or a file.';
				return;
			}
			try {
				stream = await navigator.mediaDevices.getUserMedia({
					video: { facingMode: 'environment', width: { ideal: 1280 }, height: { ideal: 720 } }
				});
				if (ended) return stop();
				if (!video) return;
				video.srcObject = stream;
				await video.play();
				running = true;
				await read(video);
			} catch (error) {
				if (!ended) trouble = whyNot(error);
			}
		}
		async function read(from: HTMLVideoElement): Promise<void> {
			while (!ended) {
				await nextFrame(from);
				if (ended || from.videoWidth === 0) continue;
				const next = await reader.read(await middleOf(from));
				if (next === undefined || ended) continue;
				foreign = next === 'foreign';
				if (next === 'foreign') continue;
				gathered = next;
				if (next.text !== undefined) {
					navigator.vibrate?.(80);
					return onread(next.text);
				}
			}
		}
		function stop(): void {
			ended = true;
			stream?.getTracks().forEach((track) => track.stop());
			reader.close();
			endAwake();
		}
		void watch();
		return stop;
	});
</script>

{#if trouble}
	<Notice><p role="alert">{trouble}</p></Notice>
{:else}
	<div class="finder">
		<video bind:this={video} playsinline muted></video>
	</div>
	<p role="status">
		{#if gathered && gathered.of > 1}
			<progress value={gathered.read} max={gathered.of}></progress> {gathered.read} of {gathered.of}
		{:else if foreign}
			That code isn’t from Dipsometer.
		{:else}
			{running ? 'Hold the other phone’s code in the square.' : 'Starting the camera…'}
		{/if}
	</p>
{/if}
<p class="buttons"><button onclick={oncancel}>Cancel</button></p>
<p class="soft small">{CAMERA_STAYS}</p>

<style>
	.finder {
		width: min(100%, 55vh, 30rem);
		aspect-ratio: 1;
		background: var(--shoal);
		border: 2px solid var(--ink);
		overflow: hidden;
	}
	video {
		width: 100%;
		height: 100%;
		object-fit: cover;
		display: block;
	}
</style>
