import { sayHours } from '../../places/index.js';
import { isShut, type Point, type Service } from '../../logbook/index.js';
import { formatQuantity, type UnitChoice } from '../../units/index.js';
import { SERVICE_NAMES } from './stop.js';

const DRINKING: ReadonlyMap<boolean | undefined, string> = new Map([
	[true, 'drinking water'],
	[false, 'water, not for drinking'],
	[undefined, 'water, not known to be drinkable']
]);

/** What one service is, with its fee: `drinking water, 3`. */
const sayKind = ({ kind, potable }: Service): string =>
	kind === 'water' ? (DRINKING.get(potable) ?? '') : SERVICE_NAMES[kind];

/** What there is at a place in one line: `drinking water, grey drain, dump point`. */
export const sayServices = (services: readonly Service[]): string =>
	services.map(sayKind).join(', ') || 'nothing logged';

/** The facts of one service: `fee 3 · 12 minutes · 11 L/min · 2 km out of the way`. */
export function sayFacts(service: Service, units: UnitChoice): string {
	const { fee, minutes, flowLpm, detourKm, barMax, note } = service;
	return [
		isShut(service) ? 'shut until further notice' : service.open && `open ${sayHours(service.open)}`,
		fee === undefined ? undefined : fee === 0 ? 'free' : `fee ${fee}`,
		minutes && `${minutes} minutes`,
		flowLpm && `${flowLpm} L/min`,
		barMax && `up to ${barMax} bar: use a regulator`,
		detourKm && `${formatQuantity(detourKm, 'distance', units)} out of the way`,
		note
	]
		.filter(Boolean)
		.join(' · ');
}

/** Each service with its facts, one a line. */
export const sayEach = (services: readonly Service[], units: UnitChoice): readonly string[] =>
	services.map((service) =>
		[sayKind(service), sayFacts(service, units)].filter((part) => part !== '').join(': ')
	);

const METRES = 1000;
/** How far two places are apart: in tens of metres below a kilometre. */
export const sayApart = (km: number, units: UnitChoice): string =>
	km < 1 ? `${10 * Math.round((METRES * km) / 10)}\u00a0m` : formatQuantity(km, 'distance', units);

/** How sure it is that a place is as noted. */
export const sayVerified = ({ verified }: Pick<Point, 'verified'>, stale: boolean): string =>
	verified === undefined
		? 'When it was last seen is not logged.'
		: `Seen on ${verified}${stale ? ', more than a year ago' : ''}.`;
