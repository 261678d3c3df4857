export { stretchOf, type Stretch } from './stretch.js';
export {
	NothingToReview,
	reviewBySteps,
	reviewOf,
	type HabitReview,
	type PartReview,
	type Review,
	type ReviewOptions,
	type TankReview
} from './review.js';
export { relive, type Otherwise, type Relived, type RelivedService } from './relived.js';
export { errandsOf, type Errand, type Errands } from './errands.js';
export { byHabit, byOutlet, expectedPerPersonDay, IN_NO_HABIT, type Share } from './shares.js';
export { foreseenOf, type Foreseen } from './foreseen.js';
export { besideFlows, type BesideFlow, type BesideFlows } from './beside.js';
