import type { Rig } from '../../logbook/index.js';
import { byHabit, byOutlet, type Errands, type Review } from '../../review/index.js';
import { figuresCsv, type CsvStyle } from './writeCsv.js';

/** The tables that a review is written as, each a file of its own. */
export const REVIEW_TABLES = ['days', 'habits', 'outlets', 'tanks', 'calls'] as const;
/** A review as rows of cells. */
export type ReviewTable = (typeof REVIEW_TABLES)[number];

const DECIMALS = 3;
const rounded = (value: number | undefined): number | undefined =>
	value === undefined ? undefined : Number(value.toFixed(DECIMALS));

/** One table of a review as RFC 4180 has it: litres, kilometres and minutes, whatever a person chose to see. */
export function reviewCsv(
	table: ReviewTable,
	rig: Rig,
	review: Review,
	errands: Errands,
	style: CsvStyle = {}
): string {
	switch (table) {
		case 'days':
			return figuresCsv(
				['from', 'to', 'drawnL', 'unloggedL', 'personDays', 'maxC'],
				review.parts.map(({ fromMs, toMs, drawnL, unloggedL, personDays, maxC }) => [
					new Date(fromMs).toISOString(),
					new Date(toMs).toISOString(),
					rounded(drawnL),
					rounded(unloggedL),
					rounded(personDays),
					maxC
				]),
				style
			);
		case 'habits':
		case 'outlets': {
			const shares = table === 'habits' ? byHabit(review, rig) : byOutlet(review, rig);
			return figuresCsv(
				[table === 'habits' ? 'habit' : 'outlet', 'times', 'litres', 'perPersonDayL', 'share'],
				shares.map(({ name, times, litres, perPersonDayL, share }) => [
					name,
					times,
					rounded(litres),
					rounded(perPersonDayL),
					rounded(share)
				]),
				style
			);
		}
		case 'tanks':
			return figuresCsv(
				['tank', 'startL', 'inL', 'outL', 'endL', 'unexplainedL'],
				review.tanks.map(({ id, start, in: came, out, end, unexplained }) => [
					rig.tanks.find((tank) => tank.id === id)?.name ?? id,
					rounded(start),
					rounded(came),
					rounded(out),
					rounded(end),
					rounded(unexplained)
				]),
				style
			);
		case 'calls':
			return figuresCsv(
				['at', 'place', 'water', 'grey', 'black', 'fee', 'minutes', 'detourKm'],
				errands.errands.map(({ ms, name, kinds, fee, minutes, detourKm }) => [
					new Date(ms).toISOString(),
					name,
					...(['water', 'grey', 'black'] as const).map((kind) => (kinds.includes(kind) ? 'yes' : undefined)),
					fee,
					minutes,
					detourKm
				]),
				style
			);
	}
}
