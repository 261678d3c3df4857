import { describe, expect, it } from 'vitest';
import { askEndpoint as ask } from '../../../tests/helpers/endpoint';
import { entry, exactRig, freshStart, logbookOf, spareJug } from '../../../tests/helpers/logbooks';
import type { Rig } from '$core/logbook';
import { POST as care } from '../../routes/api/care/+server';
import { POST as forecast } from '../../routes/api/forecast/+server';
import { POST as size } from '../../routes/api/size/+server';

const at = '2027-05-01T06:00:00Z';
const rig: Rig = {
	...exactRig,
	tanks: [
		...exactRig.tanks.map((tank) => (tank.id === 'black' ? { ...tank, nominalL: 90, usableL: 90 } : tank)),
		spareJug
	],
	care: [{ id: 'bleach', name: 'Sanitise', does: 'sanitise', tank: 'main' }]
};
const base = {
	logbook: logbookOf(
		[
			...freshStart(),
			entry({ kind: 'fill', at, tank: 'main', litres: 0.1, sdL: 0, potable: true }),
			entry({ kind: 'fill', at, tank: 'jug', to: 'full' })
		],
		rig
	),
	rig: 'rig',
	at
};

describe('all the water aboard, asked from outside', () => {
	it('a forecast tells the tank alone, and with the jug that feeds it', async () => {
		const answer = await ask(forecast, { ...base, days: 30 });
		const main = answer.tanks.find(({ id }: { id: string }) => id === 'main');
		expect(main.days.p50).toBeCloseTo(90 / 24, 1);
		expect(main.withCarried.p50).toBeCloseTo(110 / 24, 1);
		// Grey, with 75 L of room at 20 a day, is first now.
		expect(answer.autonomyDays.p50).toBeCloseTo(75 / 20, 1);
		expect(answer.tanks.find(({ id }: { id: string }) => id === 'grey')).not.toHaveProperty('withCarried');
	});
	it('a week asks for 178 L of Main; what is asked wrongly is named', async () => {
		const answer = await ask(size, { ...base, days: 7, certainty: 0.9 });
		expect(answer).toMatchObject({
			status: 200,
			tanks: [
				{ id: 'main', needL: expect.closeTo(178, 1), hasL: 100 },
				{ id: 'grey', needL: expect.closeTo(145, 1), hasL: 80 },
				{ id: 'black', needL: expect.closeTo(44, 1), hasL: 90 }
			],
			kg: expect.closeTo(178, 1)
		});
		const wrong = await ask(size, { ...base, days: 0, certainty: 1.2, measures: ['none'] });
		expect(wrong.status).toBe(422);
		expect(wrong.errors.map(({ path }: { path: string }) => path)).toEqual(
			expect.arrayContaining(['$.days', '$.certainty'])
		);
	});
	it('care tells whether one may drink it, since when and why', async () => {
		const { waters } = await ask(care, base);
		expect(waters).toEqual([
			{ tank: 'main', drink: 'drinking', since: new Date(at).toISOString(), why: expect.any(String) },
			{
				tank: 'jug',
				drink: 'unsure',
				since: new Date(at).toISOString(),
				why: expect.stringContaining('not known')
			}
		]);
	});
	it('what does not fit in a rig is named: a spare that relieves itself, a source into grey, a fill from nowhere', async () => {
		const broken = {
			...base.logbook,
			rigs: [
				{
					...rig,
					tanks: rig.tanks.map((tank) => (tank.id === 'black' ? { ...tank, relieves: 'black' } : tank)),
					sources: [
						{
							id: 'rain',
							name: 'Rain',
							into: 'grey',
							litresEach: { mean: 1, sd: 0 },
							often: { times: 1, per: 'day' }
						}
					]
				}
			],
			entries: [entry({ kind: 'fill', at, tank: 'main', litres: 5, from: 'snow' })]
		};
		const { errors } = await ask(forecast, { ...base, logbook: broken, days: 3 });
		expect(errors.map(({ path }: { path: string }) => path)).toEqual([
			'$.logbook.rigs[0].sources[0].into',
			'$.logbook.rigs[0].tanks[2].relieves',
			'$.logbook.entries[0].from'
		]);
	});
});
