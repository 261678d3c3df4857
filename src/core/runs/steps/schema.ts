import * as z from 'zod/mini';
import { ABSURD_LITRES } from '../../logbook/index.js';
import type { Run } from './run.js';

const MOST_STEPS = 500;
const UUID = /^[\da-f]{8}-(?:[\da-f]{4}-){3}[\da-f]{12}$/i;

/**
 * A run is kept beside the logbook and handed over in an address: what comes from there is looked at like any file. Made when it is
 * first needed, so that who needs a run's arithmetic alone does not load it.
 */
function makeSchema() {
	const id = z.string().check(z.minLength(1), z.maxLength(200));
	const litres = z.number().check(z.nonnegative(), z.maximum(ABSURD_LITRES));
	const figure = z.number().check(z.nonnegative(), z.maximum(1e9));
	const instant = z.string().check(z.refine((text) => Number.isFinite(Date.parse(text))));
	const spread = z.object({ p10: litres, p50: litres, p90: litres });
	const source = z.object({
		point: z.optional(id),
		potable: z.optional(z.boolean()),
		pressure: z.optional(z.boolean())
	});
	const steps = <T extends z.ZodMiniType>(of: T) => z.array(of).check(z.maxLength(MOST_STEPS));

	const setup = z.discriminatedUnion('kind', [
		z.object({
			kind: z.literal('fill'),
			parts: steps(
				z.object({
					tank: id,
					toFull: z.boolean(),
					takeL: litres,
					roomL: spread,
					levelL: litres,
					leavesL: litres,
					usableL: litres
				})
			),
			source,
			meter: z.optional(
				z.object({
					id,
					reads: figure,
					since: z.enum(['as-logged', 'first', 'elsewhere', 'unwritten']),
					passedL: z.optional(litres)
				})
			),
			flowLpm: z.optional(z.number().check(z.positive(), z.maximum(1000))),
			counters: steps(z.object({ meter: id, tank: id }))
		}),
		z.object({
			kind: z.literal('dump'),
			order: steps(
				z.object({
					do: z.enum(['open-vent', 'empty', 'backflush', 'rinse', 'treat', 'cap']),
					tank: z.optional(id),
					litres: z.optional(litres)
				})
			),
			lines: z.optional(
				steps(
					z.object({
						by: z.enum(['hose', 'deck', 'cassette', 'bottle', 'carried', 'pumped', 'sea', 'ground']),
						tanks: z.array(id).check(z.maxLength(MOST_STEPS))
					})
				)
			),
			flushedFrom: z.optional(id),
			where: z.optional(id),
			pumped: z.optional(z.literal(true))
		}),
		z.object({
			kind: z.literal('tote'),
			tank: id,
			container: id,
			litres,
			capacityL: litres,
			keepFreeL: litres,
			hoseL: z.optional(litres),
			tareKg: litres,
			partL: litres,
			emptyFirst: z.boolean()
		}),
		z.object({
			kind: z.literal('carry'),
			into: id,
			by: z.discriminatedUnion('kind', [
				z.object({ kind: z.literal('container'), id }),
				z.object({ kind: z.literal('jugs'), ids: z.array(id) }),
				z.object({ kind: z.literal('bottles') })
			]),
			trips: steps(steps(litres)),
			tareKg: litres,
			how: z.enum(['gravity', 'pump']),
			source
		})
	]);

	const at = { at: instant };
	const answer = z.discriminatedUnion('how', [
		z.object({ how: z.literal('done'), ...at }),
		z.object({ how: z.literal('figure'), shows: figure, ...at }),
		z.object({ how: z.literal('litres'), litres, ...at }),
		z.object({ how: z.literal('full'), shows: z.optional(figure), ...at }),
		z.object({ how: z.literal('not-quite'), leftL: litres, ...at }),
		z.object({ how: z.literal('from-elsewhere'), ...at }),
		z.object({ how: z.literal('skipped'), ...at })
	]);

	return z.object({
		// The ids of its entries are made from it, which asks for a UUID.
		id: z.string().check(z.refine((text) => UUID.test(text))),
		rig: id,
		begun: instant,
		setup,
		answers: z.record(z.string(), answer),
		ended: z.optional(z.literal(true))
	});
}
let made: ReturnType<typeof makeSchema> | undefined;

/** A run as it was kept or handed over; nothing where it is none, or of a version that this one does not know. */
export function readRun(given: unknown): Run | undefined {
	const read = (made ??= makeSchema()).safeParse(given);
	return read.success ? read.data : undefined;
}

/** Whether everything that a run is about is there in a rig, and in use. */
export function fitsRig(run: Run, rig: { tanks: readonly Named[]; containers: readonly Named[] }): boolean {
	const has = (list: readonly Named[], name: string | undefined): boolean =>
		name === undefined || list.some(({ id: one, retired }) => one === name && !retired);
	const { setup: of } = run;
	switch (of.kind) {
		case 'fill':
			return of.parts.every(({ tank }) => has(rig.tanks, tank));
		case 'dump':
			return of.order.every(({ tank }) => has(rig.tanks, tank));
		case 'tote':
			return has(rig.tanks, of.tank) && has(rig.containers, of.container);
		case 'carry': {
			const { by } = of;
			const vessel = by.kind !== 'container' || has(rig.containers, by.id);
			return (
				has(rig.tanks, of.into) &&
				vessel &&
				(by.kind !== 'jugs' || by.ids.every((one) => has(rig.tanks, one)))
			);
		}
	}
}
interface Named {
	readonly id: string;
	readonly retired?: true | undefined;
}
