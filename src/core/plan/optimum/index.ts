export { cheapest, type ServiceNetwork } from './cheapest.js';
export {
	failuresOf,
	followTank,
	riskOf,
	riskTakingAll,
	servedOn,
	stagesOf,
	takingAll,
	type Failure,
	type PolicyService,
	type Stage,
	type ServicePolicy
} from './evaluatePolicy.js';
export {
	carriedOf,
	costOfPolicy,
	cheapestKeepingChance,
	toppingUp,
	whenDue,
	type PolicyFound
} from './chanceConstraint.js';
export { EXACT_L, marginOf, stretchesOf, type Stretches } from './stretches.js';
export { ALL_SCHOOLS, strategyOf, type Strategy } from './strategies.js';
