export {
	listed,
	sayShortfall,
	spanText,
	verdict,
	type Span,
	type Verdict,
	type VerdictInput
} from './verdict.js';
export { findings, type Finding } from './findings.js';
export { sayFinding } from './sayFinding.js';
export { flagDay, sayDay, sayWhen } from './when.js';
export { sayFault, sayFlats, sayImpact, sayRounding, saySuspicion } from './sayRig.js';
export { sayPlan, sayService, type PlanWords } from './sayPlan.js';
