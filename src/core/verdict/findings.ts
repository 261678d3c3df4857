import type { Doubt, Estimate } from '../estimate/index.js';
import type { Entry, EntryOf } from '../logbook/index.js';

/** Something worth knowing that the readings gave away. */
export type Finding =
	| {
			readonly kind: 'failing';
			readonly instrument: string;
			readonly name: string;
			readonly value: number | string;
			readonly since: string;
			readonly doubts: readonly Doubt[];
	  }
	| {
			readonly kind: 'doubted';
			readonly instrument: string;
			readonly name: string;
			readonly value: number | string;
			readonly at: string;
			readonly doubt: Doubt;
	  };

/** Doubted this many times in a row, an instrument is called failing. */
const FAILING_AFTER = 3;

const isReading = (entry: Entry): entry is EntryOf<'reading'> => entry.kind === 'reading';

/** Per instrument, what its latest readings say of it: one of them doubted, or it fails again and again. */
export function findings(estimate: Estimate): readonly Finding[] {
	const doubts = new Map(estimate.tally.doubts.map((doubt) => [doubt.entry, doubt]));
	return estimate.model.rig.instruments.flatMap((instrument): Finding[] => {
		const readings = estimate.entries
			.filter(isReading)
			.filter((reading) => reading.instrument === instrument.id);
		const lastTrusted = readings.findLastIndex(({ id }) => !doubts.has(id));
		const run = readings.slice(lastTrusted + 1);
		const last = run.at(-1);
		const doubt = last && doubts.get(last.id);
		if (!last || !doubt) return [];
		const base = { instrument: instrument.id, name: instrument.name, value: last.value };
		if (run.length < FAILING_AFTER) return [{ ...base, kind: 'doubted', at: last.at, doubt }];
		const of = run.flatMap(({ id }) => doubts.get(id) ?? []);
		return [{ ...base, kind: 'failing', since: run[0]?.at ?? last.at, doubts: of }];
	});
}
