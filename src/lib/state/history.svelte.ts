import { nextEdited, restored, voided, type Entry } from '$core/logbook';
import type { Change } from '$lib/store';

/** One thing a person did: what it put, and what stood there before. */
export interface Deed {
	readonly label: string;
	readonly after: readonly Change[];
	/** for each change what its record was; absent where it was new */
	readonly before: readonly (Change | undefined)[];
}

/** A record put again later than whatever stands now, so that it wins a merge too. */
function renewed(change: Change, standing: Change['value'] | undefined, now: string): Change {
	const edited = nextEdited(standing ?? change.value, now);
	return { ...change, value: { ...change.value, edited } } as Change;
}

/**
 * The changes that undo a deed. A new entry is voided, since entries are never erased; a new rig, trip or point
 * has nothing to go back to and stays.
 */
export function undoing(
	deed: Deed,
	standing: (change: Change) => Change['value'] | undefined,
	now: string
): readonly Change[] {
	return deed.after.flatMap((change, i): readonly Change[] => {
		const before = deed.before[i];
		const there = standing(change);
		if (before) return [renewed(before, there, now)];
		return change.kind === 'entry'
			? [{ kind: 'entry', value: voided((there as Entry | undefined) ?? change.value, now) }]
			: [];
	});
}

/** The changes that do a deed again after it was undone. */
export function redoing(
	deed: Deed,
	standing: (change: Change) => Change['value'] | undefined,
	now: string
): readonly Change[] {
	return deed.after.map((change, i): Change => {
		const there = standing(change);
		return change.kind === 'entry' && !deed.before[i] && there
			? { kind: 'entry', value: restored(there as Entry, now) }
			: renewed(change, there, now);
	});
}

const DEEPEST = 100;

/** What can be undone and done again in this tab. */
export class History {
	done = $state.raw<readonly Deed[]>([]);
	undone = $state.raw<readonly Deed[]>([]);

	add(deed: Deed): void {
		this.done = [...this.done.slice(-(DEEPEST - 1)), deed];
		this.undone = [];
	}

	takeDone(): Deed | undefined {
		const deed = this.done.at(-1);
		if (deed) [this.done, this.undone] = [this.done.slice(0, -1), [...this.undone, deed]];
		return deed;
	}

	takeUndone(): Deed | undefined {
		const deed = this.undone.at(-1);
		if (deed) [this.undone, this.done] = [this.undone.slice(0, -1), [...this.done, deed]];
		return deed;
	}

	clear(): void {
		[this.done, this.undone] = [[], []];
	}
}
