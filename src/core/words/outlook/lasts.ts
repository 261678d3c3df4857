import type { Rig, Tank } from '../../logbook/index.js';
import { tankById } from '../../rig/index.js';
import { formatDuration, formatLitres, type UnitChoice } from '../../units/index.js';
import { listed } from '../list.js';
import { sayWhen } from '../when.js';
import { capital } from './stay.js';

/** `+ 18 L in Jug and Can`: what stands behind a tank; nothing where nothing does. */
export function sayBehind(
	rig: Rig,
	holds: Tank['holds'],
	behind: { readonly tanks: readonly string[]; readonly litres: number } | undefined,
	units: UnitChoice
): string {
	if (!behind) return '';
	const amount = formatLitres(behind.litres, units);
	return `+\u00a0${amount} ${holds === 'fresh' ? 'in' : 'of room in'} ${listed(behind.tanks.map((id) => tankById(rig, id)?.name ?? id))}`;
}

/** When a tank binds, and what a carried one adds to the stay; all absent where nothing is foretold. */
export interface Lasting {
	readonly daysLeft?: number | undefined;
	readonly bindsMs?: number | undefined;
	readonly addsDays?: number | undefined;
}

const NEXT_TO_NOTHING_L = 0.5;

/** What the tank that ends the stay does: `runs low first`, `fills first`. */
export const sayFirst = (holds: Tank['holds']): string =>
	holds === 'fresh' ? 'runs low first' : 'fills first';

/** What a rod shows, as it is read aloud. */
export interface RodWords {
	readonly name: string;
	readonly holds: Tank['holds'];
	/** `18 L ± 4`, or `between 12 L and 40 L` */
	readonly level: string;
	/** `90 L` */
	readonly usable: string;
	/** `Lasts 46 h, until Friday morning`, `Full now` */
	readonly aloud: string;
	readonly first: boolean;
	/** what is behind it, and whether it is drinking water */
	readonly more: readonly string[];
}

/** A rod in sentences: `Grey, grey: 40 L ± 3 of 60 L usable. Lasts 46 h, until Friday morning; fills first.` */
export function sayRod({ name, holds, level, usable, aloud, first, more }: RodWords): string {
	const how = [aloud, ...(first ? [sayFirst(holds)] : []), ...more.filter((words) => words !== '')];
	return `${name}, ${holds}: ${level} of ${usable} usable. ${how.join('; ')}.`;
}

/** How long a tank lasts, and until when: `4½ days`, `Sunday morning`; what it is carried for where it feeds another; and both read aloud. */
export function sayLasting(
	{ holds, carried, litres }: Pick<Tank, 'holds'> & { readonly carried: boolean; readonly litres: number },
	{ daysLeft, bindsMs, addsDays }: Lasting,
	nowMs: number,
	timeZone: string
): { readonly lasts: string; readonly until: string; readonly aloud: string } {
	const state = (lasts: string, until: string) => ({
		lasts,
		until,
		aloud: capital(until === '' ? lasts : `${lasts} ${until}`)
	});
	if (carried)
		return state(
			litres < NEXT_TO_NOTHING_L ? 'empty' : 'spare',
			addsDays ? `+ ${formatDuration(addsDays)}` : ''
		);
	if (daysLeft === undefined || bindsMs === undefined)
		return { lasts: 'over 30 days', until: '', aloud: 'Lasts over 30 days' };
	if (daysLeft <= 0) return state(holds === 'fresh' ? 'at its reserve' : 'full', 'now');
	const [lasts, until] = [formatDuration(daysLeft), sayWhen(bindsMs, nowMs, timeZone)];
	return { lasts, until, aloud: `Lasts ${lasts}, until ${until}` };
}
