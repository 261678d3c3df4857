import { expect, it } from 'vitest';
import type { Point } from '$core/logbook';
import { wayThrough } from '$core/places';
import { chosenFrom, type PointWish } from './choosing';

const at = (id: string, lon: number, services: Point['services'], note?: string): Point => ({
	id,
	name: id,
	position: [lon, 0],
	services,
	...(note === undefined ? {} : { note })
});
const points = [
	at('Low Ford', 0, [{ kind: 'water', potable: true }, { kind: 'grey' }]),
	at('Spring', 1, [{ kind: 'water' }], 'below the sheepfold'),
	at('Dump', 2, [{ kind: 'grey' }, { kind: 'black' }]),
	at('Butt', 9, [{ kind: 'water', potable: false }])
];
const ids = (wanted: Partial<PointWish>): readonly string[] =>
	chosenFrom(points, { text: '', kinds: [], drinking: false, near: undefined, ...wanted }).map(
		({ point }) => point.id
	);

it('finds points by what there is, by words with slips, and near something', () => {
	expect(ids({})).toEqual(['Butt', 'Dump', 'Low Ford', 'Spring']);
	expect(ids({ kinds: ['grey', 'water'] })).toEqual(['Low Ford']);
	expect(ids({ kinds: ['water'], drinking: true })).toEqual(['Low Ford']);
	expect(ids({ drinking: true })).toEqual(['Low Ford']);
	expect(ids({ text: 'sheepfuld' })).toEqual(['Spring']);
	expect(ids({ text: 'black disp' })).toEqual(['Dump']);
	expect(ids({ text: 'dump point' })).toEqual(['Dump']);
	expect(ids({ text: 'nothing like it' })).toEqual([]);
	expect(ids({ near: { place: [2.1, 0] } })).toEqual(['Dump', 'Spring', 'Low Ford', 'Butt']);
	expect(
		ids({
			near: {
				way: wayThrough([
					[1.5, 0],
					[0, 0]
				]),
				withinKm: 60
			}
		})
	).toEqual(['Dump', 'Spring', 'Low Ford']);
});
