import type { Entry, Meter, Outlet, Rig } from '../../logbook/index.js';

/** Whether what an outlet draws passes a meter: those it names, else every meter of the tank that it draws from. */
export const passesMeter = (outlet: Outlet, meter: Pick<Meter, 'id' | 'tank'>): boolean =>
	outlet.meters?.includes(meter.id) ?? meter.tank === outlet.from;

/** The tanks that an entry bears on: what it fills, empties, moves water between or looks into. */
export function tanksTouched(rig: Rig, entry: Entry): readonly string[] {
	switch (entry.kind) {
		case 'fill':
		case 'dump':
		case 'mark':
			return [entry.tank];
		case 'transfer':
			return [entry.fromTank, entry.toTank];
		case 'reading':
			return rig.instruments.flatMap(({ id, tank }) => (id === entry.instrument ? [tank] : []));
		case 'use': {
			const habit = rig.habits.find(({ id }) => id === entry.habit);
			const outlet = rig.outlets.find(({ id }) => id === habit?.outlet);
			return outlet ? [outlet.from, outlet.to].filter((end) => rig.tanks.some(({ id }) => id === end)) : [];
		}
		case 'crew':
		case 'gap':
		case 'measure':
		case 'hookup':
		case 'stop':
		case 'care':
		case 'note':
			return [];
	}
}
