export {
	listed,
	sayShortfall,
	spanText,
	verdict,
	type Span,
	type Verdict,
	type VerdictInput
} from './verdict.js';
export { findings, mendOf, type Finding, type Mend } from './findings.js';
export { sayFinding, sayMend } from './sayFinding.js';
export { slipsIn, type Slip } from './slips.js';
export { sayWhy } from './sayWhy.js';
export { flagDay, sayDay, sayPast, sayWhen } from './when.js';
export { sayFault, sayFlats, sayImpact, sayRounding, saySuspicion } from './sayRig.js';
export { sayPlan, sayService, type PlanWords } from './sayPlan.js';
