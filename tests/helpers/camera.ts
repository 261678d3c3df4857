import { writeFileSync } from 'node:fs';
import { chromium, type Browser, type Page } from '@playwright/test';
import { chromiumOptions } from '../../scripts/chromium.mjs';

const [WIDTH, HEIGHT] = [640, 480];
/** Each picture stays so long before the camera, frames. */
const STAY = 4;

/** The pictures of a code that is shown, each once, as a camera before it sees them: their brightness, row by row. */
export async function picturesShown(page: Page): Promise<readonly Buffer[]> {
	const shown = await page.evaluate(
		async ([width, height]) => {
			const svg = (): SVGSVGElement => document.querySelector<SVGSVGElement>('figure svg[role=img]')!;
			const count = Number(/of (\d+)$/.exec(svg().getAttribute('aria-label') ?? '')?.[1] ?? 1);
			const seen = new Map<string, string>();
			while (seen.size < count) {
				const path = svg().querySelector('path')!.getAttribute('d')!;
				if (!seen.has(path)) {
					const canvas = new OffscreenCanvas(width, height);
					const context = canvas.getContext('2d')!;
					context.fillStyle = '#888';
					context.fillRect(0, 0, width, height);
					const scale = height / svg().viewBox.baseVal.width;
					context.setTransform(scale, 0, 0, scale, (width - height) / 2, 0);
					context.fillStyle = '#fff';
					context.fillRect(0, 0, svg().viewBox.baseVal.width, svg().viewBox.baseVal.width);
					context.fillStyle = '#000';
					context.fill(new Path2D(path));
					const { data } = context.getImageData(0, 0, width, height);
					const grey = Uint8Array.from({ length: width * height }, (_, i) => data[i * 4]!);
					seen.set(path, Array.from(grey, (byte) => String.fromCharCode(byte)).join(''));
				}
				await new Promise((resolve) => setTimeout(resolve, 60));
			}
			return [...seen.values()].map((binary) => btoa(binary));
		},
		[WIDTH, HEIGHT] as const
	);
	return shown.map((one) => Buffer.from(one, 'base64'));
}

/** A browser whose camera sees these pictures, one after the other, round and round. */
export async function browserBefore(pictures: readonly Buffer[], file: string): Promise<Browser> {
	const colour = Buffer.alloc((WIDTH * HEIGHT) / 2, 128);
	const frames = pictures.flatMap((grey) =>
		Array.from({ length: STAY }, () => [Buffer.from('FRAME\n'), grey, colour])
	);
	writeFileSync(
		file,
		Buffer.concat([Buffer.from(`YUV4MPEG2 W${WIDTH} H${HEIGHT} F10:1 Ip A1:1 C420jpeg\n`), ...frames.flat()])
	);
	return chromium.launch({
		...chromiumOptions,
		args: [
			...chromiumOptions.args,
			'--use-fake-ui-for-media-stream',
			'--use-fake-device-for-media-stream',
			`--use-file-for-fake-video-capture=${file}`
		]
	});
}
