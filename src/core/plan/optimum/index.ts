export { failureRisks, stagesOf, type Failure } from './failures.js';
export { cheapest, type ServiceNetwork } from './cheapest.js';
export {
	followTank,
	riskOf,
	riskTakingAll,
	servedOn,
	takingAll,
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
