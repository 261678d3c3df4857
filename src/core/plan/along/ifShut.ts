import { failureRisks, type ServicePolicy, type Stretches } from '../optimum/index.js';
import { PLANNED_KINDS, type PlanProblem, type ServiceKind } from '../trip/index.js';
import { shortfallOf } from './shortfall.js';

/** What happens when a service that a plan uses is found shut on arrival: neither `then` nor `binds` where the tanks last all the same. */
export interface IfShut {
	readonly stop: string;
	readonly kind: ServiceKind;
	/** the stop that serves instead: everything that is offered from there on is taken */
	readonly then?: string;
	/** the tank that would bind, too often for the policy's certainty, and when */
	readonly binds?: {
		readonly tank: string;
		readonly atMs: number;
		/** so much less used or more carried before would last until one is served instead, or to the end; litres */
		readonly shortL: number;
	};
}

/** For every service that a way uses what happens when just that one is found shut, in the order of the stops. */
export function ifShutOf(problem: PlanProblem, stretches: Stretches, way: ServicePolicy): readonly IfShut[] {
	const allowed = 1 - problem.certainty + 1e-9;
	return PLANNED_KINDS.flatMap((_, kind) => failureRisks(problem, stretches, way, kind))
		.toSorted((a, b) => a.node - b.node || a.kind - b.kind)
		.flatMap(({ risk, ...failure }): readonly IfShut[] => {
			const stop = problem.visits[failure.node - 1]?.stop.id;
			const kind = PLANNED_KINDS[failure.kind];
			if (stop === undefined || kind === undefined) return [];
			if (risk <= allowed) {
				const other = problem.visits[(stretches.instead[failure.kind]?.[failure.node] ?? 0) - 1]?.stop.id;
				return [{ stop, kind, ...(other === undefined ? {} : { then: other }) }];
			}
			const short = shortfallOf(problem, stretches, way, failure);
			return [
				{
					stop,
					kind,
					...(short ? { binds: { tank: short.tank, atMs: short.atMs, shortL: short.shortL } } : {})
				}
			];
		});
}
