import { notRetired, type Rig, type Source } from '../logbook/index.js';

/** What a rig is known to have by what its people call its habits, outlets and sources. */
const called = (pattern: RegExp, list: readonly { readonly name: string }[]): boolean =>
	list.some(({ name }) => pattern.test(name));

/** It has a washing machine or a dishwasher: water stands in its pump and hoses. */
export const hasWasher = ({ habits, outlets }: Pick<Rig, 'habits' | 'outlets'>): boolean =>
	called(/washing machine|washer|laundry|dishwasher/i, [...notRetired(habits), ...notRetired(outlets)]);

/** Its watermakers: a membrane that chlorine ruins, and that is pickled when it stands. */
export const watermakersOf = ({ sources = [] }: Pick<Rig, 'sources'>): readonly Source[] =>
	notRetired(sources).filter(({ name }) => /water ?maker|desalinat|membrane|reverse osmosis/i.test(name));
