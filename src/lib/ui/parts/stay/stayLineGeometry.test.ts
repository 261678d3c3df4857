import { DAY_MS } from '$core/time';
import type { StayLine } from '$core/forecast';
import { describe, expect, it } from 'vitest';
import { stayGeometry } from './stayLineGeometry';

const atMs = Date.parse('2027-05-01T06:00:00Z');
const line: StayLine = {
	asItIs: { p10: 1, p50: 2, p90: 3 },
	segments: [
		{ id: 'inch', fromDays: 2, toDays: 3, hours: 24 },
		{ id: 'pan', fromDays: 3, toDays: 3.1, hours: 2.4 }
	],
	then: { p10: 2.5, p50: 3.1, p90: 5 },
	gainedDays: 1.1
};
const laid = (of: StayLine, widthPx: number, goalDays?: number) =>
	stayGeometry(
		{
			line: of,
			atMs,
			goalMs: goalDays === undefined ? undefined : atMs + goalDays * DAY_MS,
			timeZone: 'Etc/UTC',
			nameOf: (id) => (id === 'inch' ? 'an inch of water' : 'the pan')
		},
		widthPx
	);

describe('a line of 5 days and a margin, 560 px wide: 100 px a day', () => {
	const drawn = laid(line, 560, 4);
	it('is sure up to the early end, in doubt up to the likely one, and longer by each measure', () => {
		expect(drawn.sure).toEqual({ x: 0, width: expect.closeTo(100, 6) });
		expect(drawn.doubt).toEqual({ x: expect.closeTo(100, 6), width: expect.closeTo(100, 6) });
		expect(drawn.segments[0]).toMatchObject({
			x: expect.closeTo(200, 6),
			width: expect.closeTo(100, 6),
			bites: false
		});
		expect(drawn.doubtThen?.x).toBeCloseTo(250, 6);
		expect(drawn.goalX).toBeCloseTo(400, 6);
	});
	it('is notched at midnights, each with the day that begins', () => {
		expect(drawn.notches.slice(0, 2)).toEqual([
			{ x: expect.closeTo(75, 6), label: 'Sun' },
			{ x: expect.closeTo(175, 6), label: 'Mon' }
		]);
	});
	it('labels what has room, with its name where that fits too, and says all of it beside', () => {
		expect(drawn.segments.map(({ label }) => label)).toEqual(['+ 24 h', '+ 2½ h the pan']);
		expect(drawn.segments.map(({ says }) => says)).toEqual(['+ 24 h an inch of water', '+ 2½ h the pan']);
		expect(laid(line, 120).segments[0]?.label).toBe('');
	});
});

it('what is done bites from the end: the line is sure only up to what is left', () => {
	const bitten = laid(
		{
			asItIs: { p10: 2, p50: 3, p90: 4 },
			segments: [{ id: 'inch', fromDays: 3, toDays: 2, hours: -24 }],
			then: { p10: 1, p50: 2, p90: 3 },
			gainedDays: -1
		},
		448
	);
	expect(bitten.segments[0]).toMatchObject({
		bites: true,
		x: expect.closeTo(200, 6),
		width: expect.closeTo(100, 6)
	});
	expect(bitten.sure.width).toBeCloseTo(100, 6);
	expect(bitten.doubtThen).toBeUndefined();
});

it('a goal far away is on the line as far as one can be read', () => {
	expect(laid(line, 500, 300).goalX).toBe(500);
	expect(
		laid({ ...line, asItIs: { p10: 0, p50: 0, p90: 0 }, segments: [], then: { p10: 0, p50: 0, p90: 0 } }, 100)
			.sure.width
	).toBe(0);
});
