import { dayPlus } from '$core/time';
import { expect, it } from 'vitest';
import { importText } from '$core/formats';
import { boxAround, boxOf, inventedPlaces, type Box } from './inventedPlaces';
import { simulatedWeather, weatherAsked } from './simulatedWeather';

const namesIn = (box: Box): readonly string[] =>
	importText('geojson', JSON.stringify(inventedPlaces(box))).points.map(({ name }) => name);

it('knows the invented places of a box, and reads as the open map does', () => {
	const everywhere = importText('geojson', JSON.stringify(inventedPlaces([-180, -90, 180, 90])));
	expect(everywhere.problems).toEqual([]);
	expect(everywhere.points.every(({ services }) => services.length > 0)).toBe(true);
	expect(namesIn([-14.7, 58, -14, 58.5])).toContain('Hjelt Landing');
	expect(namesIn([-14.7, 58, -14, 58.5])).not.toContain('Low Sarn');
	expect(namesIn([170, 50, -21, 60])).toContain('Low Sarn');
});

it('takes a box across the antimeridian and up to the pole', () => {
	expect(
		boxAround(
			[
				[179.9, 0],
				[-179.9, 0]
			],
			0
		)
	).toEqual([179.9, 0, -179.9, 0]);
	expect(boxAround([[10, 89.9]], 50)).toEqual([-180, expect.closeTo(89.45, 1), 180, 90]);
	expect(boxOf('1,2,3,4')).toEqual([1, 2, 3, 4]);
	for (const wrong of [null, '', '1,2,3', '1,5,3,4', 'a,b,c,d', '1,2,3,4,5', '190,2,3,4'])
		expect(boxOf(wrong)).toHaveProperty('wrong');
});

it('makes weather that is the same at every asking, and plausible for place and season', () => {
	const mean = (lat: number, month: string): number => {
		const days = Array.from({ length: 28 }, (_, i) =>
			simulatedWeather([0, lat], dayPlus(`2027-${month}-01`, i))
		);
		expect(days.every(({ maxC, minC }) => maxC > minC && maxC < 45 && minC > -45)).toBe(true);
		return days.reduce((sum, { maxC, minC }) => sum + (maxC + minC) / 2, 0) / days.length;
	};
	expect(simulatedWeather([3, 50], '2027-07-01')).toEqual(simulatedWeather([3, 50], '2027-07-01'));
	expect(mean(50, '07')).toBeGreaterThan(mean(50, '01') + 8);
	expect(mean(-50, '01')).toBeGreaterThan(mean(-50, '07') + 8);
	expect(mean(5, '01')).toBeGreaterThan(mean(70, '07'));
	expect(mean(70, '01')).toBeLessThan(-2);
	for (const query of ['', 'lon=1&lat=95&day=2027-01-01', 'lon=1&lat=1', 'lon=1&lat=1&day=2027-01-01&days=0'])
		expect(weatherAsked(new URLSearchParams(query))).toHaveProperty('wrong');
});
