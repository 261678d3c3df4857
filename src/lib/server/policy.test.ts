import { expect, it } from 'vitest';
import { picturePolicy } from '../../../scripts/picturePolicy.mjs';

const NOBODY = "img-src 'self' data:";

it('allows pictures of the one server that was set, and lets nothing else into the policy', () => {
	expect(picturePolicy()).toBe(NOBODY);
	expect(picturePolicy('a=b')).toBe(NOBODY);
	const set = `other=1; tiles=${encodeURIComponent('https://maps.example:8080')}`;
	expect(picturePolicy(set)).toBe(`${NOBODY} https://maps.example:8080`);
	for (const lure of [
		'*',
		"https://a.example; script-src 'unsafe-inline'",
		'https://a.example https://b.example',
		'data:',
		'https://a.example/path',
		'javascript:alert(1)',
		"'unsafe-inline'"
	])
		expect(picturePolicy(`tiles=${encodeURIComponent(lure)}`), lure).toBe(NOBODY);
	expect(picturePolicy('tiles=%E0%A4%A')).toBe(NOBODY);
	expect(picturePolicy('nottiles=https%3A%2F%2Fa.example')).toBe(NOBODY);
});
