import type { ShellContext } from '../parts/acts/shellContext';
import { goto } from '$app/navigation';
import { GLOSSARY, type Word } from '$core/words';
import type { App } from '$lib/state';
import { redoSaying, undoSaying } from '../parts/acts/notify';
import { VIEWS } from './views';

/** What can be gone to or done from anywhere: by its key, or out of the command list. */
export interface ShellAct {
	readonly name: string;
	readonly group: 'Views' | 'Acts' | 'Tanks and instruments' | 'Stops' | 'Words';
	/** as the keys are bound; two in a row are pressed one after the other */
	readonly keys?: string;
	readonly does: () => void;
}

const to = (path: string) => (): void => void goto(path);

const VIEW_ACTS: readonly ShellAct[] = [
	...VIEWS.map(({ name, path, key }): ShellAct => ({
		name,
		group: 'Views',
		keys: `g ${key}`,
		does: to(path)
	})),
	{ name: 'Points and map', group: 'Views', keys: 'g p', does: to('/trip/points') },
	{ name: 'Trip card to print', group: 'Views', keys: 'g c', does: to('/trip/card') },
	{ name: 'Weight', group: 'Views', keys: 'g w', does: to('/rig/weight') },
	{ name: 'What if the rig were different', group: 'Views', keys: 'g i', does: to('/rig/what-if') },
	{ name: 'Care: what is due', group: 'Views', keys: 'g a', does: to('/rig/care') },
	{ name: 'Doses', group: 'Views', keys: 'g o', does: to('/rig/doses') },
	{ name: 'Winter storage and draining', group: 'Views', keys: 'g y', does: to('/rig/lay-up') },
	{ name: 'Review: look back', group: 'Views', keys: 'g b', does: to('/ledger/review') },
	{ name: 'Forecast record', group: 'Views', keys: 'g f', does: to('/ledger/record') },
	{ name: 'Heard by the meter', group: 'Views', keys: 'g e', does: to('/ledger/heard') }
];

/** The acts that every rig has; each has a key. */
export const everyAct = (
	app: App,
	{ line, showKeys, showList, showWords }: ShellContext
): readonly ShellAct[] => [
	...VIEW_ACTS,
	{ name: 'To the quick line', group: 'Acts', keys: '/', does: () => line() },
	{ name: 'Fill', group: 'Acts', keys: 'f', does: to('/run/fill') },
	{ name: 'Dump', group: 'Acts', keys: 'd', does: to('/run/dump') },
	{ name: 'Carry', group: 'Acts', keys: 'c', does: to('/run/carry') },
	{ name: 'Enough for tonight?', group: 'Acts', keys: 'e', does: to('/#basket') },
	{ name: 'New trip', group: 'Acts', keys: 't', does: to('/trip/lines') },
	{ name: 'Save the logbook', group: 'Acts', keys: 's', does: to('/data#save') },
	{ name: 'Share with someone', group: 'Acts', keys: 'p', does: to('/share') },
	{ name: 'Scan or paste what someone shares', group: 'Acts', keys: 'i', does: to('/take') },
	{
		name: 'Import a logbook, points, a route or a calendar',
		group: 'Acts',
		keys: 'r',
		does: to('/data#read')
	},
	{ name: 'Undo', group: 'Acts', keys: 'u', does: () => void undoSaying(app) },
	{ name: 'Redo', group: 'Acts', keys: 'Shift+U', does: () => void redoSaying(app) },
	{ name: 'What our words mean', group: 'Acts', keys: 'w', does: () => showWords() },
	{ name: 'Keyboard shortcuts', group: 'Acts', keys: 'Shift+?', does: showKeys },
	{ name: 'All commands', group: 'Acts', keys: '$mod+k', does: showList }
];

/** What each of our own words means. */
export const wordActs = ({ showWords }: ShellContext): readonly ShellAct[] =>
	(Object.keys(GLOSSARY) as readonly Word[]).map((word) => ({
		name: `What is ${word}?`,
		group: 'Words',
		does: () => showWords(word)
	}));

/** The acts of the rig and the trip in view: each tank, instrument and stop. */
export function actsHere(app: App, { line }: ShellContext): readonly ShellAct[] {
	const rig = app.liveRig;
	const of = (path: string, id: string) => to(`${path}${encodeURIComponent(id)}`);
	return [
		...(rig?.tanks ?? []).flatMap(({ id, name, holds }): readonly ShellAct[] => [
			{ name, group: 'Tanks and instruments', does: of('/rig/tank/', id) },
			holds === 'fresh'
				? { name: `Fill ${name}`, group: 'Tanks and instruments', does: of('/run/fill?tank=', id) }
				: { name: `Dump ${name}`, group: 'Tanks and instruments', does: of('/run/dump?tank=', id) }
		]),
		...(rig?.instruments ?? []).map(({ id, name }): ShellAct => ({
			name,
			group: 'Tanks and instruments',
			does: of('/rig/instrument/', id)
		})),
		...(app.tripAtHand?.stops ?? [])
			.filter(({ retired }) => !retired)
			.flatMap(({ name }): readonly ShellAct[] =>
				['arrive', 'left'].map((verb) => ({
					name: `${verb === 'arrive' ? 'Arrived at' : 'Left'} ${name}`,
					group: 'Stops',
					does: () => line(`${verb} ${name.toLowerCase()}`)
				}))
			)
	];
}

const MOST_NAMED = 3;
/** Views and acts that a text typed into the quick line names: what can be chosen can be said, too. */
export function actsNamed(text: string, app: App, reach: ShellContext): readonly ShellAct[] {
	const typed = text.toLowerCase().trim();
	const begins = (name: string): boolean =>
		name.startsWith(typed) || name.split(/[^\p{L}\p{N}]+/u).some((word) => word.startsWith(typed));
	return [...everyAct(app, reach), ...actsHere(app, reach), ...wordActs(reach)]
		.filter(({ group, keys }) => group !== 'Stops' && keys !== '/' && keys !== '$mod+k')
		.filter(({ name }) => begins(name.toLowerCase()))
		.slice(0, MOST_NAMED);
}

const isApple = (): boolean => /mac|iphone|ipad/i.test(navigator.platform);

/** Keys as they are written: `G N`, `Ctrl K`. */
export const keysShown = (keys: string): readonly string[] =>
	keys
		.replace('$mod', isApple() ? '⌘' : 'Ctrl')
		.replace('Shift+?', '?')
		.split(/[ +]/)
		.map((key) => (key.length === 1 ? key.toUpperCase() : key));
