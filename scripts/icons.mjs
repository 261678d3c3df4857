// Draws the PNG icons from static/icons/icon.svg with Chromium. Run by hand when the drawing changes.
import { readFileSync, writeFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { chromiumOptions } from './chromium.mjs';

const svg = readFileSync('static/icons/icon.svg', 'utf8');
const browser = await chromium.launch(chromiumOptions);
const page = await browser.newPage();
for (const [name, size, inset] of [
	['icon-192', 192, 0],
	['icon-512', 512, 0],
	['maskable-512', 512, 52]
]) {
	await page.setViewportSize({ width: size, height: size });
	const inner = size - 2 * inset;
	await page.setContent(
		`<body style="margin:0;background:#f4f6f3"><div style="padding:${inset}px;width:${inner}px;height:${inner}px">${svg}</div></body>`
	);
	writeFileSync(`static/icons/${name}.png`, await page.screenshot());
}
await browser.close();
