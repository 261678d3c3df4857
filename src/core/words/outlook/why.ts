import type { Basis, Estimate } from '../../estimate/index.js';
import { instantMs, type Entry, type Rig } from '../../logbook/index.js';
import { sayKind } from '../log/entry.js';
import { sayPast } from '../when.js';
import { listed } from '../list.js';

const named = (list: readonly { readonly id: string; readonly name: string }[], id: string): string =>
	list.find((one) => one.id === id)?.name ?? id;

/** What an entry is called in a list of reasons: `the fill`, `Pump meter`, `Shower`. */
function called(rig: Rig, entry: Entry): string {
	switch (entry.kind) {
		case 'use':
			return named(rig.habits, entry.habit);
		case 'fill':
		case 'dump':
			return `the ${entry.kind}`;
		case 'transfer':
			return 'what was poured across';
		case 'mark':
			return `${entry.state} as seen`;
		case 'reading':
			return named(rig.instruments, entry.instrument);
		case 'measure':
			return named(rig.measures, entry.measure);
		default:
			return `the ${sayKind(entry)}`;
	}
}

const MOST = 3;

/**
 * Why a level is what it is, in a sentence: what weighs most, and what was left out.
 *
 * @param basis the entries behind the level with their weights
 */
export function sayWhy(
	{
		model,
		entries,
		state,
		failing,
		atMs
	}: Pick<Estimate, 'model' | 'entries' | 'state' | 'failing' | 'atMs'>,
	tankId: string,
	basis: readonly Basis[],
	timeZone: string
): string {
	const { rig } = model;
	const known = new Map(entries.map((entry) => [entry.id, entry]));
	const reasons = [...basis]
		.sort((a, b) => b.weight - a.weight)
		.flatMap(({ entry: id }) => known.get(id) ?? [])
		.map((entry) => `${called(rig, entry)} ${sayPast(instantMs(entry.at), atMs, timeZone)}`);
	const said = [...new Set(reasons)].slice(0, MOST);
	const doubted = new Set(
		state.doubts
			.map(({ instrument }) => instrument)
			.filter((id) => rig.instruments.some((one) => one.id === id && one.tank === tankId))
	);
	const left = rig.instruments
		.filter(({ id, tank }) => tank === tankId && (failing.has(id) || doubted.has(id)))
		.map(({ name, id }) =>
			failing.has(id) ? `${name} was left out entirely` : `some readings of ${name} were left out`
		);
	if (said.length === 0 && left.length === 0) return '';
	const because = said.length > 0 ? `Mostly from ${listed(said)}` : '';
	return `${[because, listed(left)].filter(Boolean).join('; ')}.`;
}
