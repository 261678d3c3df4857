export {
	NothingToReview,
	reviewOf,
	type HabitReview,
	type PartReview,
	type Review,
	type ReviewOptions,
	type TankReview
} from './review.js';
