import type { Instrument, Logbook, Rig } from '../../logbook/index.js';

type Named = { readonly id: string; readonly name: string };

/** Where the ids in a column of entries are to be found. */
const LISTS: Readonly<Record<string, (rig: Rig | undefined, logbook: Logbook) => readonly Named[]>> = {
	rig: (_, { rigs }) => rigs,
	trip: (_, { trips }) => trips,
	point: (_, { points }) => points,
	where: (rig, { points }) => [...points, ...(rig?.containers ?? [])],
	stop: (_, { trips }) => trips.flatMap(({ stops }) => stops),
	tank: (rig) => rig?.tanks ?? [],
	fromTank: (rig) => rig?.tanks ?? [],
	toTank: (rig) => rig?.tanks ?? [],
	habit: (rig) => rig?.habits ?? [],
	instrument: (rig) => rig?.instruments ?? [],
	measure: (rig) => rig?.measures ?? [],
	task: (rig) => rig?.care ?? []
};

/** The id that a cell means: itself where there is such a one, else that of the only thing of this name. */
export function idMeant(column: string, cell: string, rig: Rig | undefined, logbook: Logbook): string {
	const list = LISTS[column]?.(rig, logbook) ?? [];
	if (list.some(({ id }) => id === cell)) return cell;
	const name = cell.trim().toLowerCase();
	const called = list.filter((one) => one.name.toLowerCase() === name);
	return called.length === 1 && called[0] ? called[0].id : cell;
}

/** What an instrument showed: a number, where it shows numbers. */
export function shownBy(
	instrument: Instrument | undefined,
	cell: string,
	asNumber: number | undefined
): number | string {
	const lights =
		instrument?.kind === 'gauge' && instrument.curve.some(({ reads }) => typeof reads === 'string');
	return lights || asNumber === undefined ? cell : asNumber;
}
