import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

const css = readFileSync('src/lib/theme/tokens.css', 'utf8');
/** The colours that a theme names. */
const colours = (theme: string): ReadonlyMap<string, string> => {
	const block = css.slice(css.indexOf(`[data-theme='${theme}']`));
	return new Map(
		[...block.slice(0, block.indexOf('}')).matchAll(/--([\w-]+): (#[0-9a-f]{6});/g)].map(
			([, name = '', hex = '']) => [name, hex]
		)
	);
};
/** Relative luminance and contrast ratio: WCAG 2.2, success criterion 1.4.3. */
const luminance = (hex: string): number => {
	const [r = 0, g = 0, b = 0] = [1, 3, 5].map((i) => {
		const c = Number.parseInt(hex.slice(i, i + 2), 16) / 255;
		return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
	});
	return 0.2126 * r + 0.7152 * g + 0.0722 * b;
};
const contrast = (a: string, b: string): number => {
	const [light = 0, dark = 0] = [luminance(a), luminance(b)].sort((x, y) => y - x);
	return (light + 0.05) / (dark + 0.05);
};

describe.each(['day', 'dusk', 'night'])('the %s theme', (theme) => {
	const named = colours(theme);
	const of = (name: string): string => named.get(name) ?? '';
	it.each([
		['ink', 'paper'],
		['ink', 'shoal'],
		['ink', 'caution-wash'],
		['soft-ink', 'paper'],
		['soft-ink', 'shoal'],
		['caution', 'paper'],
		['caution', 'shoal'],
		['on-caution', 'caution']
	])('text %s on %s reads', (text, ground) =>
		expect(contrast(of(text), of(ground))).toBeGreaterThanOrEqual(4.5)
	);
	it.each(['fresh', 'grey', 'black', 'caution', 'good'])('the mark %s is seen', (mark) => {
		expect(contrast(of(mark), of('air'))).toBeGreaterThanOrEqual(3);
		expect(contrast(of(mark), of('paper'))).toBeGreaterThanOrEqual(3);
	});
});
