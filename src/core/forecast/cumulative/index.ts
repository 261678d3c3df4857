export {
	cumulativeAt,
	cumulativeFlow,
	type CumulativeFlow,
	type CumulativeFlowOptions
} from './cumulativeFlow.js';
