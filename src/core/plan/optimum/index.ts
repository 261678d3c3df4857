export { cheapest, type Network } from './cheapest.js';
export {
	followed,
	riskOf,
	riskTakingAll,
	servedOn,
	takingAll,
	type Served,
	type Stage,
	type Way
} from './evaluatePolicy.js';
export { carriedOf, costOfWay, keepingPromise, toppingUp, whenDue, type Found } from './chanceConstraint.js';
export { EXACT_L, marginOf, stretchesOf, type Stretches } from './stretches.js';
export { ALL_SCHOOLS, howOf, type How } from './strategies.js';
