import type { QuickContext } from './context.js';

const VERBS = [
	'fill',
	'fill up',
	'fill full',
	'dump',
	'dump all',
	'meter',
	'meter reset',
	'dipstick',
	'rod',
	'gauge',
	'full',
	'empty',
	'crew',
	'guest',
	'note',
	'transfer',
	'arrive',
	'depart',
	'hooked up',
	'unplugged',
	'mains on',
	'mains off',
	'yesterday'
];

/** Every line that begins something this rig knows. */
function openings({ rig, trip }: QuickContext): readonly string[] {
	const gauges = rig.instruments.flatMap((instrument) => {
		const tank = rig.tanks.find(({ id }) => id === instrument.tank);
		return instrument.kind === 'gauge' && tank
			? instrument.curve.flatMap(({ reads }) =>
					typeof reads === 'string' ? [`gauge ${tank.name} ${reads}`] : []
				)
			: [];
	});
	return [
		...rig.habits.map(({ name }) => name),
		...VERBS,
		...rig.tanks.flatMap(({ name, holds }) =>
			holds === 'fresh' ? [`fill ${name} full`, `fill ${name}`] : [`dump ${name}`, `full ${name}`]
		),
		...gauges,
		...rig.tanks.flatMap(({ id, name, feeds }) => (feeds && id ? [`pour ${name}`] : [])),
		...rig.measures.flatMap(({ name }) => [`${name} on`, `${name} off`]),
		...rig.care.map(({ name }) => `done ${name}`),
		...(trip?.stops ?? []).map(({ name }) => `arrive ${name}`)
	].map((opening) => opening.toLowerCase());
}

/** Lines that go on from what is typed, at most `most`, shortest of each beginning first. */
export function completions(text: string, context: QuickContext, most = 5): readonly string[] {
	const typed = text.toLowerCase().trimStart();
	if (typed === '') return [];
	const found = openings(context).filter(
		(opening) => opening.startsWith(typed) && opening !== typed.trimEnd()
	);
	return [...new Set(found)].slice(0, most);
}
