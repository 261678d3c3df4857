import type { Plan } from '../../plan/index.js';
import { formatMoney } from '../../units/index.js';
import { listed } from '../list.js';

const percent = (chance: number): string =>
	chance > 0.995 ? 'Almost 100%' : `${Math.max(0, Math.floor(100 * chance + 1e-9))}%`;

/** What surviving one service that is shut costs, and what it brings: `Costs 3.20 and 12 minutes more.` */
export function sayFallbackPrice(without: Plan, withIt: Plan): string {
	if (!without.feasible) return 'This trip falls short even with every tap and drain open.';
	if (!withIt.feasible) return 'No plan of this trip does that: see which tap or drain you can’t do without.';
	const fees = withIt.effort.fees - without.effort.fees;
	const minutes = Math.round(withIt.effort.minutes - without.effort.minutes);
	const km = Math.round(withIt.effort.detourKm - without.effort.detourKm);
	const more = [
		...(fees > 0.005 ? [`${formatMoney(fees)} in fees`] : []),
		...(minutes > 0 ? [`${minutes} minutes`] : []),
		...(km > 0 ? [`${km} km`] : [])
	];
	const chances = `${percent(without.chance)} chance without it, ${percent(withIt.chance).toLowerCase()} with it, if all are open.`;
	if (more.length > 0) return `Costs ${listed(more)} more. ${chances}`;
	return withIt.cost > without.cost + 0.005
		? `Costs ${formatMoney(withIt.cost - without.cost)} more by your prices. ${chances}`
		: `Costs nothing more. ${chances}`;
}
