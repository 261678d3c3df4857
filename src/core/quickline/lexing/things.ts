import type { QuickContext } from '../context.js';
import { tankAliases } from './numbered.js';

/** Everything in the rig and on the trip that a line may name. */
export const thingsOf = ({
	rig,
	trip
}: QuickContext): readonly {
	readonly id: string;
	readonly name: string;
	readonly words?: readonly string[] | undefined;
}[] => [
	...rig.tanks,
	...rig.habits,
	...rig.instruments,
	...rig.measures,
	...rig.care,
	...rig.containers,
	...(trip?.stops ?? [])
];

/** The names of everything that a line may speak of, people's own words and people too. */
export const namesOf = (context: QuickContext): readonly string[] => [
	...thingsOf(context).flatMap(({ name, words = [] }) => [name, ...words]),
	...context.rig.outlets.map(({ name }) => name),
	// "jug 2" of two jugs, however they are called: no figure.
	...[...tankAliases(context.rig).values()].flat().filter((alias) => /\d$/.test(alias)),
	...(context.people ?? [])
];
