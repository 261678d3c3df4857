import type { Entry, EntryDraft, Rig } from '$core/logbook';
import type { App } from '$lib/state';
import type { Change } from '$lib/store';
import { v7 as uuid } from 'uuid';

/** Puts a new rig with its first entries in the store, and opens it. */
export async function beginWith(
	app: App,
	rig: Rig,
	drafts: readonly EntryDraft[],
	label: string
): Promise<void> {
	const entries = drafts.map((draft): Change => ({
		kind: 'entry',
		value: { ...draft, id: uuid(), rig: rig.id } as Entry
	}));
	await app.commands.put([{ kind: 'rig', value: rig }, ...entries], label);
	await app.openRig(rig.id);
}

/** What somebody with an own rig has answered so far; a tank that is not full has its litres, once typed. */
export interface OwnAnswers {
	readonly name: string;
	readonly crew: number | undefined;
	readonly freshL: number | undefined;
	/** litres in all the jugs, where there is no tank */
	readonly jugsL?: number | undefined;
	readonly aboardL: number | 'full' | undefined;
}

/** Nobody travels with more, aboard or in a tank. */
const [MOST_CREW, MOST_L] = [60, 20_000];
/** Plates are passed by a little. */
const OVER_PLATE = 1.15;

/** What is still to be said before there can be a verdict, in words. */
export function stillNeeded({ name, crew, freshL: tankL, jugsL, aboardL }: OwnAnswers): readonly string[] {
	const freshL = tankL ?? jugsL;
	const knowsTank = freshL !== undefined && freshL > 0 && freshL < MOST_L;
	const fits =
		aboardL === 'full' ||
		(aboardL !== undefined && freshL !== undefined && aboardL >= 0 && aboardL <= OVER_PLATE * freshL);
	return [
		name.trim() === '' && 'a name',
		!(crew !== undefined && crew >= 1 && crew <= MOST_CREW) && 'how many you are',
		!knowsTank && 'what the fresh tank holds, or the jugs',
		!fits && 'how much is aboard, no more than the tank’s size'
	].filter((part) => part !== false);
}
